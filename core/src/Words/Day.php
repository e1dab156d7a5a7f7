<?php

declare(strict_types=1);

namespace Jaunty\Core\Words;

/** A date, and with it a time of day where an instant is meant, before it is said in a language. */
final readonly class Day
{
    /**
     * @param  string  $date  as a book writes it, `2026-12-25`
     * @param  ?string  $time  `08:00`
     */
    public function __construct(public string $date, public ?string $time = null)
    {
    }
}
