<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

/** What a member of the reseller's staff may do for a customer. */
final readonly class GrantSeen
{
    /**
     * @param  string  $ability  read, edit or push
     * @param  ?int  $until  seconds since 1970; null for no end
     * @param  bool  $looksAfter  whether the customer is theirs to look after
     */
    public function __construct(
        public string $name,
        public string $ability,
        public ?int $until,
        public bool $looksAfter,
    ) {
    }
}
