<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\User;
use Jaunty\Core\Hours\PlaceClocks;

/** Hours read on another clock than that of the place they are for. */
final readonly class ZoneDiffersFromSite implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.zone-differs-from-site',
            Severity::Warning,
            'The same hours are read on different clocks, or on another clock than that of the site.',
            'Eight to five in one zone is nine to six in the next: one of the places opens or closes an hour off.',
            'Give each zone hours of its own, or fix the zone where the same instant is meant everywhere.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            $zones = [];
            foreach ($inspection->usesOf($schedule) as [$object]) {
                if ($object instanceof Attendant || $object instanceof User || $object instanceof Group) {
                    $zone = $inspection->callBook()->clockOf($object);
                    // Two names of one clock are no difference.
                    $known = array_filter(
                        array_keys($zones),
                        static fn (string $each): bool => PlaceClocks::isSame($each, $zone, $inspection->now),
                    );
                    $zones[reset($known) === false ? $zone : reset($known)][] = $object;
                }
            }
            $others = array_filter(
                $zones,
                static fn (string $zone): bool => $schedule->fixedZone !== null
                    && ! PlaceClocks::isSame($zone, $schedule->fixedZone, $inspection->now),
                ARRAY_FILTER_USE_KEY,
            );
            if ($schedule->fixedZone !== null && $others !== []) {
                $zone = array_key_first($others);
                yield Found::of(
                    "{$schedule->name} is read at {$this->place($schedule->fixedZone)} time",
                    "{$inspection->names->listed($others[$zone])} "
                        . (count($others[$zone]) === 1 ? 'is' : 'are')
                        . " at {$this->place($zone)}.",
                    $schedule,
                )->at('fixedZone');
            } elseif ($schedule->fixedZone === null && count($zones) > 1) {
                $places = array_map(
                    fn (string $zone): string => "{$inspection->names->listed($zones[$zone], 1)} at "
                        . "{$this->place($zone)} time",
                    array_keys($zones),
                );
                yield Found::of(
                    "{$schedule->name} is shared by " . count($zones) . ' time zones',
                    ucfirst(implode(', ', $places)) . '.',
                    $schedule,
                )->at('fixedZone')->counting(count($zones));
            }
        }
        yield from $this->away($inspection);
    }

    /**
     * Whoever reads hours on a clock of their own, and attendants that stand at another place than the numbers that
     * lead to them.
     *
     * @return iterable<Found>
     */
    private function away(Inspection $inspection): iterable
    {
        $book = $inspection->book;
        foreach ([...$book->all(Attendant::class), ...$book->all(User::class)] as $object) {
            $schedule = $inspection->find($object->schedule, Schedule::class);
            if ($schedule === null || $schedule->fixedZone !== null) {
                continue;
            }
            $clock = $inspection->callBook()->clockOf($object);
            $site = $inspection->callBook()->zoneOf($object->site);
            if ($object->zone !== null && ! PlaceClocks::isSame($clock, $site, $inspection->now)) {
                yield Found::of(
                    "{$object->label()} reads {$schedule->name} on another clock than that of its place",
                    "It reads {$clock}; the place goes by {$site}.",
                    $object,
                    $schedule,
                )->at('zone')
                    ->fixedBy(Fix::set('Go by the place', $object, 'zone', null));
            }
            foreach ($object instanceof Attendant ? $inspection->usesOf($object) : [] as [$number]) {
                if (
                    $number instanceof Number
                    && $number->site !== null
                    && $object->site !== null
                    && ! $number->site->equals($object->site)
                    && ! PlaceClocks::isSame($clock, $inspection->callBook()->zoneOf($number->site), $inspection->now)
                ) {
                    yield Found::of(
                        "{$object->label()} stands at another place, on another clock, than "
                            . "{$inspection->names->of($number)} that leads to it",
                        "{$inspection->names->of($object->site)} goes by {$clock}, "
                            . "{$inspection->names->of($number->site)} by "
                            . "{$inspection->callBook()->zoneOf($number->site)}.",
                        $object,
                        $number,
                    )->at('site', 'numbers');
                }
            }
        }
    }

    private function place(string $zone): string
    {
        return str_replace('_', ' ', substr($zone, (int) strrpos("/{$zone}", '/')));
    }
}
