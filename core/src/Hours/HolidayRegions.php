<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Book\ClockTime;
use Jaunty\Core\Book\Node;

/**
 * Calendars of public holidays by region (core/data/holidays.json, with the law behind each). What a rule of the tenant
 * book can say stands as a rule; what it cannot (the Monday before 25 May, an observed Friday, a proclaimed date) as
 * dates.
 *
 * @phpstan-type WeekdayNear array{weekday: string, date: string}
 * @phpstan-type Listed array{item: string, name: string, rule?: array<string, mixed>, whenWeekend?: string,
 *     observed?: string, before?: WeekdayNear, onOrAfter?: WeekdayNear, firstMondayUnlessFriday?: string,
 *     dates?: list<string>, listedUntil?: int}
 */
final class HolidayRegions
{
    private const FRIDAY = 4;

    private const SATURDAY = 5;

    private const SUNDAY = 6;

    /** @var ?array<string, array{name: string, zone?: string, source: string, holidays: list<Listed>}> */
    private static ?array $known = null;

    /** @return array<string, string> names by ISO 3166 code, with subdivision where it has one */
    public static function names(): array
    {
        return array_column(
            array_map(
                static fn (string $code, array $region): array => [$code, $region['name']],
                array_keys(self::known()),
                self::known(),
            ),
            1,
            0,
        );
    }

    /**
     * The time zone of a region, where most of it has one: what zone.tab of the tz database says of "most areas". Null
     * where it has several, and for what is no region.
     */
    public static function zone(string $region): ?string
    {
        return self::known()[$region]['zone'] ?? null;
    }

    /** The law a region's holidays stand on, or what they were taken from. */
    public static function source(string $region): string
    {
        return self::known()[$region]['source'];
    }

    /**
     * @param  int  $lastYear  inclusive; dates are given until its end, or as far as they are proclaimed
     * @return ?Calendar null for a region that is not known
     */
    public static function calendar(string $region, string $key, int $firstYear, int $lastYear): ?Calendar
    {
        $known = self::known()[$region] ?? null;
        if ($known === null) {
            return null;
        }
        $holidays = [];
        $until = $lastYear;
        $hasDates = false;
        foreach ($known['holidays'] as $holiday) {
            $until = min($until, $holiday['listedUntil'] ?? $until);
            $basic = ['item' => $holiday['item'], 'name' => $holiday['name']];
            if (isset($holiday['rule'])) {
                $holidays[] = $basic
                    + ['rule' => $holiday['rule'], 'whenWeekend' => $holiday['whenWeekend'] ?? 'actual'];
            }
            for ($year = $firstYear; $year <= $lastYear; $year++) {
                foreach (self::dates($holiday, $year) as $suffix => $day) {
                    $hasDates = true;
                    $holidays[] = [
                        'item' => "{$holiday['item']}{$suffix}-{$year}",
                        'name' => $holiday['name'] . ($suffix === '' ? '' : ' (observed)'),
                        'date' => LocalDate::text($day),
                    ];
                }
            }
        }

        return Calendar::read(Node::of(
            ['key' => $key, 'name' => "Holidays: {$known['name']}", 'region' => $region, 'holidays' => $holidays]
            + ($hasDates ? ['knownUntil' => "{$until}-12-31"] : []),
        ));
    }

    /**
     * @param  Listed  $holiday
     * @return array<string, int> days no rule of the book can say, by suffix of the item
     */
    private static function dates(array $holiday, int $year): array
    {
        if (isset($holiday['observed'], $holiday['rule']['fixed']) && is_string($holiday['rule']['fixed'])) {
            // Saturday's on the Friday before, Sunday's on the Monday after; the Friday may lie in the year before.
            $days = [];
            foreach ([$year, $year + 1] as $of) {
                $day = self::inYear($holiday['rule']['fixed'], $of);
                $observed = $day + match (LocalDate::weekday($day)) {
                    self::SATURDAY => -1,
                    self::SUNDAY => 1,
                    default => 0,
                };
                if ($observed !== $day && LocalDate::parts($observed)[0] === $year) {
                    $days[$of === $year ? '-observed' : '-next-observed'] = $observed;
                }
            }

            return $days;
        }
        if (isset($holiday['before'])) {
            $day = self::inYear($holiday['before']['date'], $year) - 1;

            return ['' => $day - (LocalDate::weekday($day) - self::weekday($holiday['before']) + 7) % 7];
        }
        if (isset($holiday['onOrAfter'])) {
            $day = self::inYear($holiday['onOrAfter']['date'], $year);

            return ['' => $day + (self::weekday($holiday['onOrAfter']) - LocalDate::weekday($day) + 7) % 7];
        }
        if (isset($holiday['firstMondayUnlessFriday'])) {
            $day = self::inYear($holiday['firstMondayUnlessFriday'], $year);

            return ['' => LocalDate::weekday($day) === self::FRIDAY ? $day : $day + (7 - LocalDate::weekday($day)) % 7];
        }
        $dates = [];
        foreach ($holiday['dates'] ?? [] as $date) {
            if (str_starts_with($date, "{$year}-")) {
                $dates[''] = LocalDate::parse($date);
            }
        }

        return $dates;
    }

    /** @param string $monthAndDay 12-25 */
    private static function inYear(string $monthAndDay, int $year): int
    {
        return LocalDate::parse("{$year}-{$monthAndDay}");
    }

    /** @param WeekdayNear $near */
    private static function weekday(array $near): int
    {
        return (int) array_search($near['weekday'], ClockTime::DAYS, true);
    }

    /** @return array<string, array{name: string, zone?: string, source: string, holidays: list<Listed>}> */
    private static function known(): array
    {
        if (self::$known === null) {
            /** @var array<string, array{name: string, zone?: string, source: string, holidays: list<Listed>}> $read */
            $read = json_decode(
                (string) file_get_contents(__DIR__ . '/../../data/holidays.json'),
                true,
                flags: JSON_THROW_ON_ERROR,
            );
            self::$known = $read;
        }

        return self::$known;
    }
}
