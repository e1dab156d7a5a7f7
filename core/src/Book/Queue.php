<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Matching;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Unit;
use Jaunty\Core\Book\Fields\Whole;

/** Callers wait here until a member is free. */
final readonly class Queue implements BookPart
{
    use DeclaredPart;

    /**
     * @param  int  $most  callers waiting at once, those being offered counted
     * @param  ?int  $longestWait  seconds from entry; unset: no end
     * @param  int  $comfortEvery  seconds between comfort messages
     * @param  ?string  $exitKey  the key that leads out
     */
    private function __construct(
        #[Whole(0, 100_000, default: 10)]
        #[Said('Most waiting')]
        public int $most,
        #[Whole(1, 86_400)]
        #[Said(in: Unit::Seconds, unset: 'no end')]
        public ?int $longestWait,
        #[Whole(1, 3600, default: 30)]
        #[Said(in: Unit::Seconds)]
        public int $comfortEvery,
        #[Matching(Menu::KEY, 'one key of a telephone (0 to 9, * or #)')]
        #[Said(help: 'A caller who presses it leaves the queue.')]
        public ?string $exitKey,
        #[Refers(Kind::Prompt)]
        public ?Reference $greeting,
        #[Refers(Kind::Prompt)]
        public ?Reference $comfort,
        #[Refers(Kind::Prompt)]
        public ?Reference $music,
    ) {
    }
}
