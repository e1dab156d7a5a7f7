<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\TwoBooks;

use Jaunty\Core\Calls\Law\Next;

/**
 * A call that has come to one place in the first book and to one in the second.
 *
 * @internal
 */
final readonly class Meeting
{
    /**
     * @param  list<string>  $before  who may answer here, in the first book
     * @param  list<string>  $after  in the second
     * @param  array<string, array{Encounter, Encounter, ?string}>  $differs  by what names it: both sides, and what is
     *     otherwise by degree; null where callers meet something else
     * @param  array<string, array{string, Next, Next}>  $next  where both go, with a key for the pair, by what happens
     * @param  int  $places  how many places were passed at most to come here
     */
    public function __construct(
        public array $before,
        public array $after,
        public array $differs,
        public array $next,
        public int $places,
    ) {
    }
}
