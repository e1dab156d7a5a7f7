<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

/** Somebody was asked to join and has not. */
final readonly class InvitationSeen
{
    /**
     * @param  string  $to  a mail address
     * @param  int  $sentAt  seconds since 1970, as is the next
     */
    public function __construct(public string $to, public int $sentAt, public int $openUntil)
    {
    }
}
