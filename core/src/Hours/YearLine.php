<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Book\ClockTime;
use Jaunty\Core\Book\Schedule;

/**
 * A schedule laid out on the days of a year: how long each is open and what owns it, where clocks change, where
 * calendars end.
 */
final readonly class YearLine
{
    public const DAYS = 365;

    /**
     * @param  int  $from  the first date, days since 1970
     * @param  list<int>  $minutes  open, by day
     * @param  list<string>  $owners  `week`, `exception:item`, `period:item` or `holiday:item`, by day
     * @param  array<string, string>  $clocks  `forward` or `back`, by date
     * @param  ?string  $knownUntil  last date the first calendar that runs out knows of
     * @param  list<array{from: string, to: string, what: string, owner: string, whose: string, hours: string,
     *     states: list<string>}>  $special  dates that the week does not own, joined where one follows another, and
     *     what the
     *     schedule says on them
     */
    private function __construct(
        public int $from,
        public array $minutes,
        public array $owners,
        public array $clocks,
        public ?string $knownUntil,
        public array $special,
    ) {
    }

    public function firstDate(): string
    {
        return LocalDate::text($this->from);
    }

    /** @param string $zone of whoever uses the schedule */
    public static function of(Schedule $schedule, Book $book, string $zone, int $from, int $days = self::DAYS): self
    {
        $clock = ScheduleClock::of($schedule, $book, $zone);
        $minutes = [];
        $owners = [];
        $special = [];
        for ($day = $from; $day < $from + $days; $day++) {
            $plan = $clock->plan($day);
            $isOpen = HoursState::of($plan->inside) === HoursState::Open && ! str_starts_with($plan->owner, 'holiday:');
            $minutes[] = $isOpen
                ? array_sum(array_map(
                    static fn (array $hours): int => min($hours[1], LocalDate::MINUTES) - $hours[0],
                    $plan->hours,
                ))
                : 0;
            $owners[] = $plan->owner;
            if ($plan->owner === 'week') {
                continue;
            }
            [$what, $whose] = self::named($schedule, $book, $plan->owner);
            $hours = $isOpen && $plan->hours !== []
                ? implode(', ', array_map(
                    static fn (array $hours): string => self::clock($hours[0]) . ' to ' . self::clock($hours[1]),
                    $plan->hours,
                ))
                : HoursState::of($plan->outside)->value;
            $last = count($special) - 1;
            if (
                $last >= 0
                && $special[$last]['owner'] === $plan->owner
                && $special[$last]['hours'] === $hours
                && LocalDate::parse($special[$last]['to']) === $day - 1
            ) {
                $special[$last]['to'] = LocalDate::text($day);
            } else {
                $special[] = [
                    'from' => LocalDate::text($day), 'to' => LocalDate::text($day), 'what' => $what,
                    'owner' => $plan->owner, 'whose' => $whose, 'hours' => $hours,
                    'states' => $isOpen && $plan->hours !== [] ? [$plan->inside, $plan->outside] : [$plan->outside],
                ];
            }
        }

        return new self(
            $from,
            $minutes,
            $owners,
            self::clocks($schedule->fixedZone ?? $zone, $from, $days),
            self::knownUntil($schedule, $book),
            $special,
        );
    }

    /** @return array{string, string} what the date is, and who says so; a calendar by its name, the customer by none */
    private static function named(Schedule $schedule, Book $book, string $owner): array
    {
        [$kind, $item] = explode(':', $owner, 2) + [1 => ''];
        if ($kind !== 'holiday') {
            return [
                array_column($kind === 'exception' ? $schedule->exceptions : $schedule->periods, 'name', 'item')[$item]
                    ?? $item,
                '',
            ];
        }
        foreach ($schedule->calendars as $reference) {
            $calendar = $book->find($reference);
            $names = $calendar instanceof Calendar ? array_column($calendar->holidays, 'name', 'item') : [];
            if ($calendar instanceof Calendar && isset($names[$item])) {
                return [$names[$item], $calendar->name];
            }
        }

        return [$item, ''];
    }

    /** @return array<string, string> */
    private static function clocks(string $zone, int $from, int $days): array
    {
        $clock = ZoneClock::of($zone);
        $changes = [];
        for ($day = $from; $day < $from + $days; $day++) {
            $length = $clock->midnight($day + 1) - $clock->midnight($day);
            if ($length !== 86_400) {
                $changes[LocalDate::text($day)] = $length < 86_400 ? 'forward' : 'back';
            }
        }

        return $changes;
    }

    private static function knownUntil(Schedule $schedule, Book $book): ?string
    {
        $ends = [];
        foreach ($schedule->calendars as $reference) {
            $calendar = $book->find($reference);
            $ends[] = $calendar instanceof Calendar ? $calendar->lastKnown() : null;
        }
        $ends = array_filter($ends, static fn (?string $end): bool => $end !== null);

        return $ends === [] ? null : min($ends);
    }

    private static function clock(int $minutes): string
    {
        return ClockTime::text($minutes > LocalDate::MINUTES ? $minutes - LocalDate::MINUTES : $minutes);
    }
}
