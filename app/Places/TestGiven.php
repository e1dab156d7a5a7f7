<?php

declare(strict_types=1);

namespace App\Places;

/** What somebody says of a test call for help that they made. */
final readonly class TestGiven
{
    /**
     * @param  string  $at  `2026-12-01T14:05`, by the clock of the site
     * @param  string  $caller  the user from whose telephone, as a reference
     * @param  string  $numberShown  as help services read it back, in any form that is used there
     * @param  string  $addressRead  as they read it back
     */
    public function __construct(
        public string $at,
        public string $caller,
        public string $numberShown,
        public string $addressRead,
        public bool $passed,
        public string $note,
    ) {
    }
}
