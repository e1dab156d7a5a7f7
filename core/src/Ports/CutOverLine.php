<?php

declare(strict_types=1);

namespace Jaunty\Core\Ports;

/** One thing to do on the day that numbers come over, or a call to try. */
final readonly class CutOverLine
{
    /**
     * @param  'before'|'then'|'after'|'back'  $part  of the sheet
     * @param  string  $when  `2026-12-13`, or `2026-12-14 08:45`, at the customer's
     * @param  string  $what  in words
     * @param  ?string  $call  as the call line reads it, where it is a call to try
     * @param  ?string  $expect  how that call goes by the book, in words
     */
    public function __construct(
        public string $part,
        public string $when,
        public string $what,
        public ?string $call = null,
        public ?string $expect = null,
    ) {
    }
}
