<?php

declare(strict_types=1);

namespace Jaunty\CommandLine\Commands;

use Jaunty\CommandLine\Arguments;
use Jaunty\CommandLine\Command;
use Jaunty\CommandLine\Dates;
use Jaunty\CommandLine\Files;
use Jaunty\CommandLine\Report;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\TwoBooks\Difference;
use Jaunty\Core\Calls\TwoBooks\TellingCall;
use Jaunty\Core\Calls\Year\OutcomeMap;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Hours\Occasions;
use Jaunty\Core\Hours\ZoneClock;
use Jaunty\Core\Outbound\DialContrast;
use Jaunty\Core\Outbound\DialDifference;

/** What differs between two books, by field and for callers. */
final class DiffCommand implements Command
{
    /** Seconds from midnight, when most offices are open: routes may go by hours. */
    private const NOON = 43_200;

    public function usage(): string
    {
        return 'BEFORE AFTER [--from DATE]';
    }

    public function about(): string
    {
        return 'what differs between two books, by field (as JSON, the change set that makes the second of the first); '
            . 'with --from, what callers notice in the year from then, and users who dial on that day';
    }

    public function options(): array
    {
        return ['from'];
    }

    public function run(Arguments $arguments): Report
    {
        $before = Files::book($arguments->file(0, 'two books'));
        $after = Files::book($arguments->file(1, 'a second book'));
        $changes = Diff::between($before, $after);
        $lines = array_map(static fn (Operation $operation): string => sprintf(
            "%-7s %s%s%s\n",
            $operation->kind->value,
            $operation->object,
            $operation->path === null ? '' : " {$operation->path}",
            $operation->path === null
                ? ''
                : ': ' . self::show($operation->before) . ' -> ' . self::show($operation->after),
        ), $changes->operations);
        $text = $lines === [] ? "the same\n" : implode('', $lines);
        if ($arguments->option('from') === null) {
            return new Report($text, $changes->toArray(), ! $changes->isEmpty());
        }
        $from = Dates::parse($arguments->option('from'));
        $zone = ZoneClock::of($before->tenant->zone);
        [$callers, $value] = self::callers($before, $after, $zone->midnight($from), $zone);

        return new Report(
            "{$text}{$callers}",
            ['changes' => $changes->toArray(), 'callers' => $value],
            ! $changes->isEmpty(),
        );
    }

    /** @return array{string, array<string, mixed>} */
    private static function callers(Book $before, Book $after, int $from, ZoneClock $zone): array
    {
        $difference = Difference::between($before, $after, $from);
        $text = $difference->isComplete
            ? ''
            : "incomplete: calls can go more ways than are followed; what is told is so, what is not told is unknown\n";
        $text .= match (true) {
            ! $difference->isEmpty() => "callers notice\n",
            $difference->isComplete => "callers notice nothing\n",
            default => "what callers notice is unknown\n",
        };
        $value = [];
        foreach ($difference->contrasts as $contrast) {
            $when = Occasions::words(
                $difference->periods->when(...$contrast->classes),
                $from,
                $from + OutcomeMap::YEAR_SECONDS,
                $zone,
            );
            $text .= "  {$contrast->called}: {$contrast->words()}\n      {$when}\n";
            $value[] = [
                'called' => $contrast->called, 'script' => $contrast->script, 'before' => $contrast->before->words(),
                'after' => $contrast->after->words(), 'ofDegree' => $contrast->ofDegree, 'when' => $when,
                'call' => TellingCall::of($before, $after, $difference, $contrast),
            ];
        }
        foreach (
            [
                'newly reached' => $difference->newlyReached,
                'no longer reached' => $difference->noLongerReached,
            ] as $what => $people
        ) {
            $text .= $people === [] ? '' : "  {$what}: " . implode(', ', $people) . "\n";
        }

        $dialling = DialDifference::between($before, $after, $from + self::NOON);
        foreach ($dialling as $contrast) {
            $text .= '  ' . self::users($contrast) . " dialling {$contrast->digits}: " . DialDifference::words(
                $contrast->before,
            ) . ' -> ' . DialDifference::words($contrast->after) . "\n";
        }
        $told = array_map(
            static fn (DialContrast $contrast): array => [
                'users' => array_map(static fn (User $user): string => $user->key, $contrast->users),
                'digits' => $contrast->digits, 'before' => $contrast->before->toArray(),
                'after' => $contrast->after->toArray(),
            ],
            $dialling,
        );

        return [$text, [
            'dialling' => $told, 'complete' => $difference->isComplete, 'differences' => $value,
            'newlyReached' => $difference->newlyReached, 'noLongerReached' => $difference->noLongerReached,
        ]];
    }

    private static function users(DialContrast $contrast): string
    {
        $first = $contrast->users[0]->label();

        return count($contrast->users) === 1 ? $first : "{$first} and " . (count($contrast->users) - 1) . ' like them';
    }

    private static function show(mixed $value): string
    {
        return json_encode($value, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }
}
