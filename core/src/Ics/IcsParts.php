<?php

declare(strict_types=1);

namespace Jaunty\Core\Ics;

/**
 * The events of a file sorted by the items they were once made of: those nobody touched, and those that were moved,
 * renamed or taken out since.
 *
 * @internal
 */
final readonly class IcsParts
{
    /**
     * @param  array<string, true>  $untouched  items
     * @param  array<string, list<IcsEvent>>  $touched  what is left of an item, by item
     * @param  list<IcsEvent>  $others
     */
    private function __construct(public array $untouched, public array $touched, public array $others)
    {
    }

    /**
     * @param  list<IcsEvent>  $events
     * @param  array<string, array<string, IcsEvent>>  $expected  by item, then uid
     */
    public static function of(array $events, array $expected): self
    {
        $left = [];
        foreach ($events as $event) {
            $left[$event->uid === '' ? 'no uid ' . count($left) : $event->uid] = $event;
        }
        $untouched = [];
        $touched = [];
        foreach ($expected as $item => $made) {
            $found = array_intersect_key($left, $made);
            $left = array_diff_key($left, $made);
            $changed = array_filter($found, static fn (IcsEvent $event): bool => ! $event->isLike($made[$event->uid]));
            if ($changed === [] && count($found) === count($made)) {
                $untouched[$item] = true;
            } else {
                $touched[$item] = array_values($found);
            }
        }

        return new self($untouched, $touched, array_values($left));
    }

    /** @param list<string> $taken */
    public static function freeKey(string $key, array $taken): string
    {
        $free = $key;
        for ($n = 2; in_array($free, $taken, true); $n++) {
            $free = "{$key}-{$n}";
        }

        return $free;
    }
}
