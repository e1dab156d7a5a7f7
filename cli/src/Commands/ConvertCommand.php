<?php

declare(strict_types=1);

namespace Jaunty\CommandLine\Commands;

use Jaunty\CommandLine\Arguments;
use Jaunty\CommandLine\Command;
use Jaunty\CommandLine\Dates;
use Jaunty\CommandLine\Files;
use Jaunty\CommandLine\Misuse;
use Jaunty\CommandLine\Report;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Hours\ZoneClock;
use Jaunty\Core\Ics\ScheduleReading;
use Jaunty\Core\Ics\UnusableIcs;

/** A book written anew, defaults left out; a schedule of it as an iCalendar file, or taken out of one. */
final class ConvertCommand implements Command
{
    public function usage(): string
    {
        return 'BOOK [--schedule KEY (--from DATE | --calendar FILE)]';
    }

    public function about(): string
    {
        return 'the book written anew; or one schedule as an iCalendar file; or the book with a schedule from one';
    }

    public function options(): array
    {
        return ['schedule', 'from', 'calendar'];
    }

    public function run(Arguments $arguments): Report
    {
        $book = Files::book($arguments->file(0, 'a book'));
        $key = $arguments->option('schedule');
        $calendar = $arguments->option('calendar');
        if ($key === null) {
            return $calendar === null && $arguments->option('from') === null
                ? self::written($book)
                : throw new Misuse('wants --schedule, the key of one');
        }

        return $calendar === null
            ? $this->out($book, $key, Dates::parse($arguments->option('from')))
            : $this->in($book, $key, $calendar);
    }

    private function out(Book $book, string $key, int $from): Report
    {
        $schedule = $book->find(Reference::to(Kind::Schedule, $key));
        if (! $schedule instanceof Schedule) {
            throw new Misuse("there is no schedule {$key} in the book");
        }
        $zone = $schedule->fixedZone ?? $book->tenant->zone;
        $text = ScheduleReading::write($schedule, $zone, $from, ZoneClock::of($zone)->midnight($from));

        return new Report($text, ['icalendar' => $text]);
    }

    /** What is left out of the file is said on the error output and makes the exit code 1. */
    private function in(Book $book, string $key, string $file): Report
    {
        try {
            [$schedule, $zone, $notes] = ScheduleReading::read(Files::text($file), $key, $book->tenant->zone);
            $fields = ['key' => $key] + $schedule->toArray();
            if ($zone !== $book->tenant->zone) {
                $fields['fixedZone'] = $zone;
            }
            $changed = $book->with(Schedule::read(Node::of($fields)));
            $changed->checkReferences();
        } catch (UnusableIcs | UnusableBook $fault) {
            throw new Misuse("{$file}: {$fault->getMessage()}");
        }
        foreach ($notes as $note) {
            fwrite(STDERR, "roster: {$file}: {$note}\n");
        }

        return self::written($changed, $notes !== []);
    }

    private static function written(Book $book, bool $found = false): Report
    {
        return new Report(BookFormat::toJson($book), BookFormat::toValue($book), $found);
    }
}
