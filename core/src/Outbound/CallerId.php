<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

/** What the other side sees of a call that goes out. */
final readonly class CallerId
{
    /**
     * @param  string  $shown  a number in E.164, an extension, or empty for nothing
     * @param  string  $whose  as a sentence's end: whose it is, or why it is shown
     */
    public function __construct(public string $shown, public string $whose)
    {
    }
}
