<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Calls\Year\Run;
use Jaunty\Core\Calls\Year\Survey;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\RandomScripts;

/**
 * The map is held against calls: whatever ends a call that anybody can think of is an end of the map, loops and
 * overruns among them.
 */
final class MapLawsTest extends TestCase
{
    private const CALLS = 60;

    private const CALLS_DEEP = 3_000;

    #[DataProvider('books')]
    public function test_every_call_ends_as_the_map_says(string $json, int $seed): void
    {
        $dice = new RandomScripts($seed);
        $value = $dice->rerouted((array) json_decode($json, true, flags: JSON_THROW_ON_ERROR));
        $value['tenant']['transferLimit'] = [2, 3, 5, 20][$seed % 4];
        $book = BookFormat::fromValue($value);
        $survey = Survey::of($book, RandomScripts::FROM, 400 * 86_400);
        for ($left = getenv('DEEP') === 'yes' ? self::CALLS_DEEP : self::CALLS; $left > 0; $left--) {
            $given = $dice->of($book);
            // Outages are runs of their own, and the map is of numbers.
            $given['world'] = array_filter(
                $given['world'],
                static fn (string $who): bool => preg_match('/^(site:|platform|trunk:)/', $who) !== 1,
                ARRAY_FILTER_USE_KEY,
            );
            $script = Script::read($given, $book);
            $run = $script->number === null ? null : $survey->runAt($script->number, $script->at);
            if ($run === null) {
                continue;
            }
            $trace = Trace::of($book, $script);
            self::assertTrue(
                self::holds($run, $trace, $script),
                "{$trace->outcome->value} {$trace->target} is none of "
                    . implode(', ', $run->facts->ends)
                    . ' of '
                    . json_encode($given, JSON_THROW_ON_ERROR)
                    . "\n"
                    . json_encode($value, JSON_THROW_ON_ERROR),
            );
        }
    }

    /** Where somebody can make a call that ends so, the map gives one. */
    #[DataProvider('books')]
    public function test_a_steady_call_is_found_where_there_is_one(string $json, int $seed): void
    {
        $dice = new RandomScripts($seed);
        $book = BookFormat::fromJson($json);
        $survey = Survey::of($book, RandomScripts::FROM, 400 * 86_400);
        $given = [];
        for ($left = getenv('DEEP') === 'yes' ? 10 * self::CALLS : self::CALLS; $left > 0; $left--) {
            $call = $dice->of($book);
            unset($call['order']);
            $call['world'] = array_filter(
                $call['world'],
                static fn (string $who): bool => preg_match('/^(site:|platform|trunk:|leg:)/', $who) !== 1,
                ARRAY_FILTER_USE_KEY,
            );
            $script = Script::read($call, $book);
            $run = $script->number === null ? null : $survey->runAt($script->number, $script->at);
            $trace = Trace::of($book, $script);
            $end = "{$trace->outcome->value} {$trace->target}";
            if ($run !== null && in_array($end, $run->facts->ends, true)) {
                $given[spl_object_id($run->explored)][$end] ??= [$run, $call];
            }
        }
        foreach ($given as $ends) {
            foreach ($ends as $end => [$run, $call]) {
                self::assertNotNull(
                    $survey->shortestCall($run, $end),
                    "{$end} has no call, though there is " . json_encode($call, JSON_THROW_ON_ERROR) . "\n{$json}",
                );
            }
        }
        self::assertNotEmpty($survey->periods->classes);
    }

    /** What the map says of whoever does nothing is what happens to them. */
    #[DataProvider('books')]
    public function test_whoever_does_nothing_ends_as_the_map_says(string $json, int $seed): void
    {
        $value = (new RandomScripts($seed))->rerouted((array) json_decode($json, true, flags: JSON_THROW_ON_ERROR));
        $value['tenant']['transferLimit'] = [2, 3, 5, 20][$seed % 4];
        $book = BookFormat::fromValue($value);
        $survey = Survey::of($book, RandomScripts::FROM, 400 * 86_400);
        foreach ($survey->runs as $run) {
            $trace = self::nothingDone($book, $run, $survey->firstInstant($run));
            self::assertSame($trace->outcome, $run->facts->passive ?? Outcome::Loop, json_encode(
                [$run->number, $value],
                JSON_THROW_ON_ERROR,
            ));
            if ($trace->outcome !== Outcome::Loop) {
                self::assertSame($trace->target, $run->facts->passiveTarget, json_encode(
                    [$run->number, $value],
                    JSON_THROW_ON_ERROR,
                ));
            }
        }
    }

    /** @return iterable<string, array{string, int}> */
    public static function books(): iterable
    {
        $seed = 16_000;
        foreach (CaseFiles::all() as $name => [$book]) {
            if (str_ends_with($name, ' 1')) {
                yield $name => [$book, $seed++];
            }
        }
    }

    private static function nothingDone(Book $book, Run $run, int $at): Trace
    {
        return Trace::of($book, Script::read(['to' => $run->number, 'at' => gmdate('Y-m-d\TH:i:s\Z', $at)], $book));
    }

    private static function holds(Run $run, Trace $trace, Script $script): bool
    {
        if ($trace->outcome === Outcome::Loop) {
            foreach ($run->facts->loops as $loop) {
                // A round is told by its component; Trace names whichever state came back.
                foreach ($loop->states as $state) {
                    if ($run->explored->states[$state]->object === $trace->target) {
                        return true;
                    }
                }
            }
        }
        // By keys a caller may come to the same place again and again, as often as they like: no way of the map is so
        // long.
        if ($trace->outcome === Outcome::Overrun && $script->keys !== []) {
            return true;
        }

        return in_array("{$trace->outcome->value} {$trace->target}", $run->facts->ends, true);
    }
}
