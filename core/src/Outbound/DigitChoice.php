<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Book\CallingClass;

/** Digits said in plain words, and the map that lets them through. */
final readonly class DigitChoice
{
    /**
     * @param  string  $said  such as "national, 10 digits"
     * @param  string  $digits  a digit map (RFC 3435 section 2.1.5), behind the prefix
     * @param  CallingClass  $class  the usual one for such calls
     * @param  int  $strip  how many of the digits are the prefix, which nobody out there wants
     */
    public function __construct(
        public string $key,
        public string $said,
        public string $digits,
        public CallingClass $class,
        public int $strip,
    ) {
    }
}
