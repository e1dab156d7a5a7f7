<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\AllCalls\Graph;
use Jaunty\Core\Calls\AllCalls\ShortestPaths;
use Jaunty\Core\Calls\AllCalls\TestCalls;
use Jaunty\Core\Calls\AllCalls\Witness;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Hours\ScheduleClock;
use PHPUnit\Framework\TestCase;

/** The shortest test call to each end, on the books of the worked cases, each at the instants of its scripts. */
final class WitnessTest extends TestCase
{
    /** Of all ends of the free world, those that a test call in which nobody is in two states comes to. */
    private const LEAST_STEADY = 0.92;

    public function test_every_end_has_a_shortest_path_and_its_script_replays_to_it(): void
    {
        $ends = 0;
        $steady = 0;
        foreach (self::books() as [$book, $at]) {
            $graph = self::graph($book, $at);
            foreach ($graph->numbers() as $number) {
                $explored = Explorer::explore($graph, [$number]);
                $paths = ShortestPaths::of($explored, $number);
                self::assertEqualsCanonicalizing(
                    array_map(static fn (array $end): string => "{$end[0]->value} {$end[1]}", $explored->ends($number)),
                    array_keys($paths),
                );
                foreach (array_keys($paths) as $end) {
                    $ends++;
                    $script = (
                        new TestCalls($book, $explored)
                    )->shortest($number, $end, substr($number->object, strlen('number:')), $at);
                    if ($script === null) {
                        continue;
                    }
                    $steady++;
                    $trace = Trace::of($book, Script::read($script, $book));
                    self::assertSame($end, "{$trace->outcome->value} {$trace->target}");
                }
            }
        }
        self::assertGreaterThan(self::LEAST_STEADY * $ends, $steady);
    }

    /**
     * Against a search that knows nothing of seconds or names: rounds of things done, each closed under doing nothing.
     */
    public function test_no_path_asks_more_of_anybody_than_it_must(): void
    {
        foreach (self::books() as [$book, $at]) {
            $graph = self::graph($book, $at);
            foreach ($graph->numbers() as $number) {
                $explored = Explorer::explore($graph, [$number]);
                $least = self::fewest($explored, $number);
                foreach (ShortestPaths::of($explored, $number) as $end => $path) {
                    self::assertSame(
                        $least[$end],
                        count(array_filter($path, static fn (array $step): bool => ! $step[1]->choice->isPassive)),
                        $end,
                    );
                    self::assertSame($number->key(), $path[0][0]->key());
                }
            }
        }
    }

    public function test_keys_fall_where_they_are_heard_and_people_are_in_the_state_the_path_needs(): void
    {
        $book = BookFormat::fromValue([
            'format' => 'jaunty-roster/tenant-book', 'version' => 1,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [['key' => '+19025550100', 'destination' => 'menu:main', 'callerRules' => [
                ['item' => 'ontario', 'callers' => '1416xxxxxxx', 'then' => 'release'],
            ]]],
            'prompts' => [['key' => 'day', 'audio' => ['seconds' => 9]]],
            'menus' => [[
                'key' => 'main', 'prompt' => 'prompt:day', 'keys' => ['2' => ['to' => 'user:ana']],
                'silence' => 'release', 'transfer' => 'blind', 'dialExtensions' => ['scope' => 'off'],
            ]],
            'users' => [['key' => 'ana', 'mailbox' => 'mailbox:ana', 'legs' => [['item' => 'desk']]]],
            'mailboxes' => [['key' => 'ana']],
        ]);
        $graph = self::graph($book, 0);
        $number = $graph->numbers()[0];
        $paths = ShortestPaths::of(Explorer::explore($graph, [$number]), $number);
        $script = static fn (string $end): ?array => Witness::script($book, $paths[$end], '+19025550100', 0);

        self::assertSame(
            [
                'to' => '+19025550100', 'at' => '1970-01-01T00:00:00Z', 'world' => ['user:ana' => 'answers'],
                'keys' => [['key' => '2', 'at' => 0]],
            ],
            $script('answered user:ana'),
        );
        self::assertSame([['key' => '2', 'at' => 0]], $script('messageIn mailbox:ana')['keys'] ?? null);
        self::assertSame('+14165555555', $script('released number:+19025550100')['from'] ?? null);
        self::assertArrayNotHasKey('keys', $script('released menu:main') ?? []);
    }

    /** @return array<string, int> by end */
    private static function fewest(Explorer $explored, State $start): array
    {
        $ends = [];
        $seen = [];
        $round = [$start->key()];
        for ($count = 0; $round !== []; $count++) {
            $later = [];
            while (($key = array_pop($round)) !== null) {
                if (isset($seen[$key])) {
                    continue;
                }
                $seen[$key] = true;
                foreach ($explored->edges[$key] as $edge) {
                    $costs = $count + ($edge->choice->isPassive ? 0 : 1);
                    if ($edge->next->outcome !== null) {
                        $end = "{$edge->next->outcome->value} {$edge->next->target}";
                        $ends[$end] = min($ends[$end] ?? $costs, $costs);
                    } elseif ($edge->choice->isPassive) {
                        $round[] = (string) $edge->to;
                    } else {
                        $later[] = (string) $edge->to;
                    }
                }
            }
            $round = $later;
        }

        return $ends;
    }

    /** @return iterable<array{Book, int}> */
    private static function books(): iterable
    {
        $seen = [];
        foreach (CaseFiles::all() as [$json, $scriptJson]) {
            $book = BookFormat::fromJson($json);
            $at = Script::read(json_decode($scriptJson, true), $book)->at;
            // One instant in three is enough of each book.
            $seen[$json] = ($seen[$json] ?? -1) + 1;
            if ($seen[$json] % 3 === 0) {
                yield [$book, $at];
            }
        }
    }

    private static function graph(Book $book, int $at): Graph
    {
        $graph = new Graph($book, $at);
        $graph->say(array_map(
            static fn (array $slot): string => ScheduleClock::of($slot[0], $book, $slot[1])->at($at),
            $graph->slots(),
        ));

        return $graph;
    }
}
