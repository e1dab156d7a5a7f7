<?php

declare(strict_types=1);

namespace App\Log;

/** Which entries of the log are wanted. */
final readonly class Sought
{
    /**
     * @param  ?string  $customer  its key
     * @param  ?string  $who  a sign-in; `-` for entries of nobody who is signed in
     * @param  ?\DateTimeImmutable  $from  and after
     * @param  ?\DateTimeImmutable  $until  and before
     * @param  ?string  $words  in what is told, whatever their case
     * @param  ?int  $before  entries older than this one
     */
    public function __construct(
        public ?string $customer = null,
        public ?string $who = null,
        public ?string $what = null,
        public ?\DateTimeImmutable $from = null,
        public ?\DateTimeImmutable $until = null,
        public ?string $words = null,
        public ?int $before = null,
    ) {
    }
}
