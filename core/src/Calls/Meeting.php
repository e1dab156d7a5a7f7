<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

/**
 * A call that has come to one place in the first book and to one in the second.
 *
 * @internal
 */
final readonly class Meeting
{
    /**
     * @param  array<string, ?string>  $differs  by what names it: null where callers meet something else, else what is otherwise by degree
     * @param  array<string, array{string, Next, Next}>  $next  where both go, with a key for the pair, by what happens
     */
    public function __construct(public Encounter $was, public Encounter $is, public array $differs, public array $next)
    {
    }
}
