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
use Jaunty\Core\Words\Listing;
use Jaunty\Core\Words\Message;

/** Hours read on another clock than that of the place they are for. */
final readonly class ZoneDiffersFromSite implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.zone-differs-from-site',
            Severity::Warning,
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
                    [
                        'schedule' => $schedule->name,
                        'place' => $this->place($schedule->fixedZone),
                        'others' => $inspection->names->several($others[$zone]),
                        'n' => count($others[$zone]),
                        'elsewhere' => $this->place($zone),
                    ],
                    $schedule,
                )->at('fixedZone');
            } elseif ($schedule->fixedZone === null && count($zones) > 1) {
                $places = array_map(
                    fn (string $zone): Message => new Message('placeTime', [
                        'who' => $inspection->names->several($zones[$zone], 1),
                        'place' => $this->place($zone),
                    ]),
                    array_keys($zones),
                );
                yield Found::of(
                    ['schedule' => $schedule->name, 'n' => count($zones), 'places' => Listing::row($places)],
                    $schedule,
                )->saying('shared')->at('fixedZone')->counting(count($zones));
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
                    [
                        'object' => $object->label(),
                        'schedule' => $schedule->name,
                        'clock' => $clock,
                        'site' => $site,
                    ],
                    $object,
                    $schedule,
                )->saying('own')->at('zone')
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
                        [
                            'object' => $object->label(),
                            'number' => $inspection->names->said($number),
                            'site' => $inspection->names->said($object->site),
                            'clock' => $clock,
                            'other' => $inspection->names->said($number->site),
                            'otherClock' => $inspection->callBook()->zoneOf($number->site),
                        ],
                        $object,
                        $number,
                    )->saying('elsewhere')->at('site', 'numbers');
                }
            }
        }
    }

    private function place(string $zone): string
    {
        return str_replace('_', ' ', substr($zone, (int) strrpos("/{$zone}", '/')));
    }
}
