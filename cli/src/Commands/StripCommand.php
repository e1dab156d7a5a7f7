<?php

declare(strict_types=1);

namespace Jaunty\CommandLine\Commands;

use Jaunty\CommandLine\Arguments;
use Jaunty\CommandLine\Command;
use Jaunty\CommandLine\Dates;
use Jaunty\CommandLine\Files;
use Jaunty\CommandLine\Misuse;
use Jaunty\CommandLine\Report;
use Jaunty\Core\Calls\Year\WeekStrip;
use Jaunty\Core\Hours\ZoneClock;

/** A week of a number, day by day: what callers get if the first leg offered answers, and if nobody does. */
final class StripCommand implements Command
{
    public function usage(): string
    {
        return 'BOOK --number NUMBER --from DATE';
    }

    public function about(): string
    {
        return 'a week of a number: what callers get if the first leg offered answers, and if nobody does';
    }

    public function options(): array
    {
        return ['number', 'from'];
    }

    public function run(Arguments $arguments): Report
    {
        $book = Files::book($arguments->file(0, 'a book'));
        $number = $arguments->option('number')
            ?? $book->tenant->mainNumber->key
            ?? throw new Misuse('wants --number; the book names no main number');
        $strip = WeekStrip::of($book, $number, Dates::parse($arguments->option('from')))
            ?? throw new Misuse("{$number} is not a number of this book");
        $clock = ZoneClock::of($book->tenant->zone);
        $pieces = [];
        $text = '';
        foreach ($strip->pieces as [$instant, $facts]) {
            $tracks = [$facts->ifAnswered(), $facts->ifNobodyAnswers()];
            if ($pieces !== [] && $pieces[count($pieces) - 1]['tracks'] === $tracks) {
                continue;
            }
            $pieces[] = [
                'at' => gmdate('Y-m-d\TH:i:s\Z', $instant),
                'local' => Dates::local($clock, $instant),
                'tracks' => $tracks,
            ];
            $text .= sprintf(
                "  %s  %-9s if nobody answers %s\n",
                Dates::local($clock, $instant),
                $tracks[0],
                $tracks[1],
            );
        }

        return new Report(
            "{$number}, {$book->tenant->zone}\n{$text}",
            ['number' => $number, 'zone' => $book->tenant->zone, 'pieces' => array_map(
                static fn (array $piece): array => [
                    'at' => $piece['at'], 'local' => $piece['local'], 'ifAnswered' => $piece['tracks'][0],
                    'ifNobodyAnswers' => $piece['tracks'][1],
                ],
                $pieces,
            )],
            array_filter($pieces, static fn (array $piece): bool => in_array('lost', $piece['tracks'], true)) !== [],
        );
    }
}
