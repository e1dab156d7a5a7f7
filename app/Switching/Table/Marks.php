<?php

declare(strict_types=1);

namespace App\Switching\Table;

/** By what a record can be told that nothing is bound to yet. */
final readonly class Marks
{
    /**
     * @param  ?string  $number  in E.164
     * @param  ?string  $owner  of a mailbox: the id of the person's record
     */
    public function __construct(
        public ?string $number = null,
        public ?string $extension = null,
        public ?string $owner = null,
        public ?string $label = null,
    ) {
    }
}
