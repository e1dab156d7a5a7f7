<?php

declare(strict_types=1);

namespace Jaunty\CommandLine\Commands;

use Jaunty\CommandLine\Arguments;
use Jaunty\CommandLine\Command;
use Jaunty\CommandLine\Dates;
use Jaunty\CommandLine\Files;
use Jaunty\CommandLine\Misuse;
use Jaunty\CommandLine\Report;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Hours\HoursState;
use Jaunty\Core\Hours\ScheduleClock;
use Jaunty\Core\Hours\WeekPattern;
use Jaunty\Core\Hours\ZoneClock;

/** What a schedule says over some days. */
final class HoursCommand implements Command
{
    private const MOST_DAYS = 800;

    public function usage(): string
    {
        return 'BOOK --schedule KEY --from DATE [--days 7] [--zone ZONE]';
    }

    public function about(): string
    {
        return 'when a schedule changes and to what, in local time, over some days';
    }

    public function options(): array
    {
        return ['schedule', 'from', 'days', 'zone'];
    }

    public function run(Arguments $arguments): Report
    {
        $book = Files::book($arguments->file(0, 'a book'));
        $key = $arguments->option('schedule') ?? throw new Misuse('wants --schedule, the key of one');
        $schedule = $book->find(Reference::to(Kind::Schedule, $key));
        if (! $schedule instanceof Schedule) {
            throw new Misuse("there is no schedule {$key} in the book");
        }
        $day = Dates::parse($arguments->option('from'));
        $days = $arguments->option('days') ?? '7';
        if (! ctype_digit($days) || (int) $days < 1 || (int) $days > self::MOST_DAYS) {
            throw new Misuse('--days: 1 to ' . self::MOST_DAYS);
        }
        $zone = $schedule->fixedZone ?? $arguments->option('zone') ?? $book->tenant->zone;
        if (! in_array($zone, \DateTimeZone::listIdentifiers(\DateTimeZone::ALL_WITH_BC), true)) {
            throw new Misuse("--zone: \"{$zone}\" is no time zone");
        }
        $clock = ZoneClock::of($zone);
        $start = $clock->midnight($day);
        $end = $clock->midnight($day + (int) $days);
        $timeline = ScheduleClock::of($schedule, $book, $zone)->timeline($start, $end - $start);
        $week = WeekPattern::of($schedule->weekly);
        $overlaps = $week->overlaps();
        $text = "{$schedule->name}, {$zone}\n{$week->words()}\n" . implode('', array_map(
            static fn (array $overlap): string => "overlap: {$overlap['one']} and {$overlap['other']}, "
                . "{$overlap['from']} to {$overlap['to']}\n",
            $overlaps,
        ));
        $changes = [];
        foreach ($timeline->from as $index => $instant) {
            $when = Dates::local($clock, $instant);
            $changes[] = [
                'at' => gmdate('Y-m-d\TH:i:s\Z', $instant),
                'local' => $when,
                'state' => $timeline->states[$index],
            ];
            $text .= "  {$when}  {$timeline->states[$index]}\n";
        }
        $open = $timeline->secondsIn(HoursState::Open);

        return new Report(
            $text . sprintf("open %d h %02d min of %d h\n", intdiv($open, 3600), intdiv($open % 3600, 60), intdiv(
                $end - $start,
                3600,
            )),
            [
                'zone' => $zone, 'week' => $week->words(), 'overlaps' => $overlaps, 'changes' => $changes,
                'openSeconds' => $open,
            ],
            $overlaps !== [],
        );
    }
}
