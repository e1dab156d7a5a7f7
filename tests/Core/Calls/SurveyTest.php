<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Calls\Year\CallMap;
use Jaunty\Core\Calls\Year\OutcomeMap;
use Jaunty\Core\Calls\Year\ProofTable;
use Jaunty\Core\Calls\Year\RightNow;
use Jaunty\Core\Calls\Year\Survey;
use Jaunty\Core\Calls\Year\WeekStrip;
use PHPUnit\Framework\TestCase;

/** What is drawn from the survey of a book's calls: it says the same as the outcome map and as traced calls. */
final class SurveyTest extends TestCase
{
    private const FROM = 1_796_083_200;

    private const MONTH = 31 * 86_400;

    public function test_it_says_what_the_outcome_map_says(): void
    {
        foreach (self::books() as $name => $book) {
            $map = OutcomeMap::of($book, self::FROM, self::MONTH);
            $survey = Survey::of($book, self::FROM, self::MONTH);
            self::assertEquals($map->periods, $survey->periods, $name);
            foreach ($survey->runs as $run) {
                foreach ($run->classes as $class) {
                    self::assertEquals($map->facts[$class][$run->number], $run->facts, $name);
                }
                self::assertSame($run, $survey->runAt($run->number, $survey->firstInstant($run)));
            }
        }
    }

    public function test_the_proof_of_a_number_covers_the_whole_time_and_every_end_once(): void
    {
        foreach (self::books() as $name => $book) {
            $survey = Survey::of($book, self::FROM, self::MONTH);
            $seconds = [];
            foreach (ProofTable::of($survey)->cells as $cell) {
                $seconds[$cell['number']] = ($seconds[$cell['number']] ?? 0) + $cell['seconds'];
                $ends = array_column($cell['ends'], 'end');
                self::assertSame($ends, array_values(array_unique($ends)), $name);
                self::assertSame([], array_diff($survey->runs[$cell['run']]->facts->ends, $ends), $name);
                $sorts = array_column($cell['ends'], 'sort');
                $worst = $sorts;
                usort(
                    $worst,
                    static fn (string $a, string $b): int => array_search(
                        $a,
                        ['lost', 'released', 'outside', 'mailbox', 'person'],
                        true,
                    ) <=> array_search($b, ['lost', 'released', 'outside', 'mailbox', 'person'], true),
                );
                self::assertSame($worst, $sorts, $name);
            }
            foreach ($seconds as $of) {
                self::assertSame(self::MONTH, $of, $name);
            }
        }
    }

    public function test_a_map_in_short_leaves_out_whom_callers_know_how_to_dial_and_nothing_else(): void
    {
        $left = 0;
        foreach (self::books() as $name => $book) {
            foreach (Survey::of($book, self::FROM, self::MONTH)->runs as $run) {
                [$whole, $short] = [CallMap::of($run), CallMap::inShort($run)];
                $known = static fn (CallMap $map): array => array_intersect(
                    ['an extension', 'a name'],
                    array_merge(...array_column($map->arrows, 'labels')),
                );
                self::assertSame([], $known($short), $name);
                if ($known($whole) === []) {
                    self::assertEquals($whole, $short, $name);
                }
                $left += count($whole->arrows) - count($short->arrows);
            }
        }
        self::assertGreaterThan(0, $left);
    }

    public function test_every_node_of_a_call_map_is_come_to_from_its_number(): void
    {
        foreach (self::books() as $name => $book) {
            foreach (Survey::of($book, self::FROM, self::MONTH)->runs as $run) {
                foreach ([CallMap::of($run), CallMap::inShort($run)] as $map) {
                    $reached = ["number:{$run->number}" => true];
                    do {
                        $before = count($reached);
                        foreach ($map->arrows as $arrow) {
                            $reached += isset($reached[$arrow['from']]) ? [$arrow['to'] => true] : [];
                        }
                    } while (count($reached) > $before);
                    self::assertSame([], array_diff(array_column($map->nodes, 'id'), array_keys($reached)), $name);
                }
            }
        }
    }

    public function test_a_call_map_folds_what_is_alike_and_leaves_nothing_out(): void
    {
        foreach (self::books() as $name => $book) {
            foreach (Survey::of($book, self::FROM, self::MONTH)->runs as $run) {
                $map = CallMap::of($run);
                $shown = [];
                foreach ($map->nodes as $node) {
                    $stands = $node['stands'];
                    self::assertTrue($stands === [] || count($stands) > 3, $name);
                    array_push($shown, ...($stands === [] ? [$node['id']] : $stands));
                }
                self::assertSame(array_values(array_unique($shown)), $shown, $name);
                foreach ($run->explored->states as $state) {
                    self::assertContains($state->object, $shown, $name);
                }
            }
        }
    }

    public function test_ten_people_with_a_mailbox_each_are_two_nodes_and_another_is_not_among_them(): void
    {
        $people = range(201, 210);
        $book = self::menuOf($people, [210]);
        $map = CallMap::of(Survey::of($book, self::FROM, self::MONTH)->runs[0]);
        $folds = array_values(array_filter($map->nodes, static fn (array $node): bool => $node['stands'] !== []));

        self::assertSame(
            [
                array_map(static fn (int $each): string => "user:u{$each}", range(201, 209)),
                array_map(static fn (int $each): string => "mailbox:u{$each}", range(201, 209)),
            ],
            array_column($folds, 'stands'),
        );
        self::assertContains('user:u210', array_column($map->nodes, 'id'));
        self::assertLessThan(9, count($map->nodes));
    }

    public function test_a_shortest_call_comes_to_the_end_it_was_looked_for(): void
    {
        $shown = 0;
        foreach (self::books() as $name => $book) {
            $survey = Survey::of($book, self::FROM, self::MONTH);
            foreach (array_slice($survey->runs, 0, 2) as $run) {
                foreach (array_slice($run->facts->ends, 0, 3) as $end) {
                    $call = $survey->shortestCall($run, $end);
                    if ($call !== null) {
                        $trace = Trace::of($book, Script::read($call, $book));
                        // A loop is named by one object on it, and comes back to whichever was entered first.
                        $names = isset($run->facts->loops[$end])
                            ? array_map(
                                static fn (string $object): string => "loop {$object}",
                                $run->facts->loops[$end]->objects,
                            )
                            : [$end];
                        self::assertContains("{$trace->outcome->value} {$trace->target}", $names, $name);
                        $shown++;
                    }
                }
            }
        }
        self::assertGreaterThan(30, $shown);
    }

    public function test_right_now_tells_the_call_and_when_it_changes(): void
    {
        $book = self::office();
        $now = RightNow::of($book, 1_796_234_700);

        self::assertNotNull($now);
        self::assertSame(
            [
                ['what' => 'hears', 'object' => 'menu:day', 'seconds' => 10],
                ['what' => 'rings', 'object' => 'group:desk', 'seconds' => 20],
            ],
            $now->telling->parts,
        );
        self::assertSame(
            ['messageIn', 'mailbox:desk', 30],
            [$now->telling->outcome->value, $now->telling->target, $now->telling->seconds],
        );
        self::assertSame(
            '2026-12-02T17:00:00-04:00',
            (new \DateTimeImmutable('@' . (int) $now->until))->setTimezone(new \DateTimeZone('America/Halifax'))
                ->format('c'),
        );
        self::assertSame('released', $now->next?->outcome->value);
    }

    public function test_a_week_strip_is_cut_where_callers_get_something_else(): void
    {
        $strip = WeekStrip::of(self::office(), '+19025550110', WeekStrip::mondayOf(1_796_234_700, 'America/Halifax'));

        self::assertNotNull($strip);
        $pieces = array_map(
            static fn (array $piece): array => [
                $piece['from'], $piece['to'], $piece['ifAnswered'], $piece['ifNobodyAnswers'],
            ],
            array_slice($strip->toArray(), 0, 3),
        );
        self::assertSame(
            [[0, 480, 'released', 'released'], [480, 1020, 'person', 'mailbox'], [1020, 1920, 'released', 'released']],
            $pieces,
        );
        self::assertNull(WeekStrip::of(self::office(), '+19025550999', 20_000));
    }

    private static function office(): Book
    {
        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => 1,
            'tenant' => ['key' => 't', 'zone' => 'America/Halifax', 'mainNumber' => 'number:+19025550110'],
            'numbers' => [['key' => '+19025550110', 'destination' => 'attendant:main']],
            'users' => [['key' => 'a', 'legs' => [['item' => 'desk']]]],
            'groups' => [[
                'key' => 'desk', 'members' => [['item' => 'a', 'who' => 'user:a']], 'noAnswerSeconds' => 20,
                'otherwise' => ['noAnswer' => 'mailbox:desk'],
            ]],
            'attendants' => [['key' => 'main', 'schedule' => 'schedule:hours', 'answers' => [
                ['item' => 'o', 'when' => 'open', 'then' => 'menu:day'],
                ['item' => 'c', 'when' => 'closed', 'then' => 'release'],
            ]]],
            'menus' => [[
                'key' => 'day', 'plays' => 2, 'wait' => 5, 'silence' => 'group:desk',
                'keys' => ['1' => ['to' => 'group:desk']],
            ]],
            'schedules' => [['key' => 'hours', 'weekly' => [
                ['item' => 'week', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri'], 'from' => '08:00', 'to' => '17:00'],
            ]]],
            'mailboxes' => [['key' => 'desk']],
        ]);
    }

    /**
     * A menu where extensions may be dialled, and a mailbox for each.
     *
     * @param  list<int>  $people  by extension
     * @param  list<int>  $without  those without a mailbox of their own
     */
    private static function menuOf(array $people, array $without): Book
    {
        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => 1, 'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [['key' => '+19025550100', 'destination' => 'menu:day']],
            'menus' => [['key' => 'day', 'transfer' => 'blind', 'dialExtensions' => ['scope' => 'all']]],
            'users' => array_map(static fn (int $each): array => [
                'key' => "u{$each}", 'extension' => (string) $each, 'legs' => [['item' => 'desk']],
                'mailbox' => in_array($each, $without, true) ? null : "mailbox:u{$each}",
            ], $people),
            'mailboxes' => array_map(static fn (int $each): array => ['key' => "u{$each}"], $people),
        ]);
    }

    /** @return iterable<string, Book> one of each worked case */
    private static function books(): iterable
    {
        $seen = [];
        foreach (CaseFiles::all() as $name => [$json]) {
            if (! isset($seen[$json])) {
                $seen[$json] = true;
                yield $name => BookFormat::fromJson($json);
            }
        }
    }
}
