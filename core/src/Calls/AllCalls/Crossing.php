<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Calls\Law\EventKind;

/** Every way on from a state, with what had to be known for it: where all that is the same, so are the ways. */
final readonly class Crossing
{
    /**
     * @param  array<string, string>  $asked  what schedules and dates were asked and said, by slot
     * @param  array<string, true>  $read  the objects of the book that were looked at, and what of it as a whole
     * @param  list<Edge>  $edges
     */
    public function __construct(public array $asked, public array $read, public array $edges)
    {
    }

    /**
     * The way on where nothing is left to the world or the caller: the only one, or any where all lead to the same
     * place in the same time and nobody can answer or press a key, so that nobody can tell which was taken.
     *
     * @param  list<Edge>  $edges
     */
    public static function onlyWay(array $edges): ?Edge
    {
        $first = $edges[0] ?? null;
        if ($first === null || (count($edges) === 1 && ! $first->choice->isPassive)) {
            return null;
        }
        foreach (count($edges) === 1 ? [] : $edges as $edge) {
            $isSame = $edge->to === $first->to
                && $edge->next->outcome === $first->next->outcome
                && $edge->next->target === $first->next->target;
            if (! $isSame || $edge->choice->needsKey || $edge->choice->most !== $first->choice->most || in_array(
                $edge->choice->event->kind,
                [EventKind::Answered, EventKind::OutsideMailbox],
                true,
            )) {
                return null;
            }
        }

        return $first;
    }
}
