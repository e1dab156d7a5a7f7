<?php

declare(strict_types=1);

namespace App\Drift;

use Jaunty\Core\Change\Whose;

/** One thing that book and live do not agree on. */
final readonly class Difference
{
    /**
     * @param  string  $what  field, missing (only in the book) or unknown (only on the switch)
     * @param  Whose  $whose  on which side it was changed
     * @param  ?string  $path  the field; null where a whole object is meant
     */
    public function __construct(
        public string $object,
        public string $label,
        public string $what,
        public Whose $whose,
        public ?string $path,
        public mixed $book,
        public mixed $live,
        public mixed $signed,
        public ?string $since,
        public ?string $by,
    ) {
    }
}
