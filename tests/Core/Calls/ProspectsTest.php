<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\AllCalls\Components;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\AllCalls\Graph;
use Jaunty\Core\Calls\AllCalls\Prospects;
use Jaunty\Core\Calls\Law\Loop;
use Jaunty\Core\Calls\Law\LoopKind;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Hours\ScheduleClock;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class ProspectsTest extends TestCase
{
    /** @param array<string, mixed> $fields */
    #[DataProvider('loops')]
    public function test_a_loop_is_told_by_what_keeps_it_going(?LoopKind $kind, ?int $longest, array $fields): void
    {
        $graph = new Graph(self::book($fields), 0);
        $explored = Explorer::explore($graph, $graph->numbers());
        $prospects = Prospects::of($explored);

        self::assertSame(
            $kind === null ? [] : [$kind],
            array_map(static fn (Loop $loop): LoopKind => $loop->kind, $prospects->loops()),
        );
        self::assertSame($longest, $prospects->longest($graph->numbers()[0]));
    }

    /**
     * @return iterable<string, array{?string, ?int, array<string, mixed>}> the kind of loop, the longest call in
     *     seconds, a book
     */
    public static function loops(): iterable
    {
        $ana = ['key' => 'ana', 'mailbox' => 'mailbox:ana', 'legs' => [['item' => 'desk', 'seconds' => 20]]];
        $menu = [
            'key' => 'main', 'plays' => 1, 'wait' => 5, 'keys' => ['9' => ['to' => 'menu:more']],
            'silence' => 'release', 'invalidAllowed' => 1, 'invalid' => 'release',
        ];
        yield 'a mailbox after a ring' => [null, 20, [
            'numbers' => [['key' => '+19025550100', 'destination' => 'user:ana']],
            'users' => [$ana],
        ]];
        yield 'two groups for each other' => [LoopKind::Inescapable, null, [
            'numbers' => [['key' => '+19025550100', 'destination' => 'group:a']],
            'groups' => [
                ['key' => 'a', 'otherwise' => ['noAnswer' => 'group:b']],
                ['key' => 'b', 'otherwise' => ['noAnswer' => 'group:a']],
            ],
        ]];
        yield 'two who forward to each other when busy' => [LoopKind::Conditional, null, [
            'numbers' => [['key' => '+19025550100', 'destination' => 'user:ana']],
            'users' => [
                ['handling' => ['open' => ['busy' => 'user:bo']]] + $ana,
                [
                    'key' => 'bo', 'mailbox' => 'mailbox:ana', 'legs' => [['item' => 'desk', 'seconds' => 15]],
                    'handling' => ['open' => ['busy' => 'user:ana']],
                ],
            ],
        ]];
        yield 'two menus that name each other' => [LoopKind::CallerDriven, 5, [
            'numbers' => [['key' => '+19025550100', 'destination' => 'menu:main']],
            'menus' => [$menu, ['key' => 'more', 'keys' => ['1' => ['to' => 'menu:main']]] + $menu],
        ]];
    }

    public function test_a_round_that_nobody_leaves_says_how_long_it_takes(): void
    {
        $graph = new Graph(
            self::book(['numbers' => [['key' => '+19025550100', 'destination' => 'user:ana']], 'users' => [
                ['key' => 'ana', 'legs' => [['item' => 'desk', 'seconds' => 20]], 'handling' => [
                    'open' => ['noAnswer' => 'user:bo'],
                ]],
                ['key' => 'bo', 'legs' => [['item' => 'desk', 'seconds' => 15]], 'handling' => [
                    'open' => ['noAnswer' => 'user:ana'],
                ]],
            ]]),
            0,
        );

        self::assertSame([[LoopKind::Inescapable, 35]], array_map(
            static fn (Loop $loop): array => [$loop->kind, $loop->seconds],
            Prospects::of(Explorer::explore($graph, $graph->numbers()))->loops(),
        ));
    }

    public function test_a_round_that_keys_drive_says_how_long_it_takes(): void
    {
        $menu = ['plays' => 1, 'wait' => 5, 'silence' => 'release', 'invalidAllowed' => 1, 'invalid' => 'release'];
        $graph = new Graph(
            self::book(['numbers' => [['key' => '+19025550100', 'destination' => 'menu:main']], 'menus' => [
                ['key' => 'main', 'keys' => ['9' => ['to' => 'menu:more']]] + $menu,
                ['key' => 'more', 'keys' => ['1' => ['to' => 'menu:main']]] + $menu,
            ]]),
            0,
        );

        self::assertSame(
            [10],
            array_column(Prospects::of(Explorer::explore($graph, $graph->numbers()))->loops(), 'seconds'),
        );
    }

    /** The law: no test call without keys lasts longer than the longest, and none ends before the shortest. */
    public function test_test_calls_last_within_the_bounds(): void
    {
        $checked = 0;
        foreach (CaseFiles::all() as $name => [$json, $scriptJson]) {
            $book = BookFormat::fromJson($json);
            $script = Script::read(json_decode($scriptJson, true), $book);
            if (
                $script->number === null
                || $script->keys !== []
                || preg_match('/"(site:|platform|trunk:)/', $scriptJson) === 1
            ) {
                continue;
            }
            $graph = new Graph($book, $script->at);
            $graph->say(array_map(
                static fn (array $slot): string => ScheduleClock::of($slot[0], $book, $slot[1])->at($script->at),
                $graph->slots(),
            ));
            $start = array_values(array_filter(
                $graph->numbers(),
                static fn ($state): bool => $state->object === "number:{$script->number}",
            ))[0];
            $prospects = Prospects::of(Explorer::explore($graph, [$start]));
            $trace = Trace::of($book, $script);
            $longest = $prospects->longest($start);
            if (in_array($trace->outcome, [Outcome::Loop, Outcome::Overrun], true)) {
                continue;
            }
            $checked++;
            self::assertLessThanOrEqual($longest ?? PHP_INT_MAX, $trace->seconds, $name);
            self::assertGreaterThanOrEqual(
                $prospects->shortest($start, $trace->outcome) ?? PHP_INT_MAX,
                $trace->seconds,
                $name,
            );
        }
        self::assertGreaterThan(100, $checked);
    }

    /** Against reachability written out: two nodes share a component exactly where each reaches the other. */
    public function test_components_are_nodes_that_reach_each_other(): void
    {
        foreach (range(1, 60) as $seed) {
            $dice = new Randomizer(new Mt19937($seed));
            $next = [];
            for ($i = 0, $nodes = $dice->getInt(1, 9); $i < $nodes; $i++) {
                $next["n{$i}"] = array_map(
                    static fn (int $n): string => 'n' . $n % $nodes,
                    $dice->pickArrayKeys(range(0, 11), $dice->getInt(1, 2)),
                );
            }
            $reaches = [];
            foreach (array_keys($next) as $node) {
                $open = [$node];
                while (($at = array_pop($open)) !== null) {
                    foreach ($next[$at] as $to) {
                        if (! isset($reaches[$node][$to])) {
                            $reaches[$node][$to] = true;
                            $open[] = $to;
                        }
                    }
                }
            }
            $component = [];
            $order = [];
            foreach (Components::of($next) as $index => $members) {
                foreach ($members as $member) {
                    $component[$member] = $index;
                    $order[$member] = $index;
                }
            }
            self::assertCount(count($next), $component);
            foreach (array_keys($next) as $one) {
                foreach (array_keys($next) as $other) {
                    self::assertSame(
                        $one === $other || (isset($reaches[$one][$other], $reaches[$other][$one])),
                        $component[$one] === $component[$other],
                        "seed {$seed}: {$one} {$other}",
                    );
                    if (isset($reaches[$one][$other])) {
                        self::assertGreaterThanOrEqual($order[$other], $order[$one], 'what is led to comes first');
                    }
                }
            }
        }
    }

    /** @param array<string, mixed> $fields */
    private static function book(array $fields): Book
    {
        return BookFormat::fromValue($fields + [
            'format' => 'jaunty-roster/tenant-book', 'version' => 1,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'], 'mailboxes' => [['key' => 'ana']],
        ]);
    }
}
