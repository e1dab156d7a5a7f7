<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Calls\AllCalls\Choices;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\AllCalls\Graph;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Keypad;
use Jaunty\Core\Calls\Law\Machine;
use Jaunty\Core\Calls\Law\NumberRules;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\Law\WayOut;
use Jaunty\Core\Calls\OneCall\Resolver;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\World;
use Jaunty\Core\Hours\ScheduleClock;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ExplorerTest extends TestCase
{
    /** World states of scopes that are runs of their own: the free world of the Explorer knows no outages. */
    private const OUTAGES = ['site:', 'platform', 'trunk:'];

    /** The law: what any world gives in a state is among the choices there, within their seconds. */
    #[DataProvider('cases')]
    public function test_every_trace_is_a_path_of_the_explorer_within_its_seconds(
        string $json,
        string $scriptJson,
    ): void {
        $book = BookFormat::fromJson($json);
        $script = Script::read(json_decode($scriptJson, true), $book);
        foreach (array_keys($script->world) as $who) {
            foreach (self::OUTAGES as $outage) {
                if (str_starts_with($who, $outage)) {
                    self::assertNotEmpty($script->world);

                    return;
                }
            }
        }
        $hours = $this->hours($book, $script->at);
        $callBook = new CallBook($book, $hours);
        $machine = new Machine($callBook);
        $wayOut = new WayOut($callBook);
        $numbers = new NumberRules($callBook, $script->at);
        $choices = new Choices($callBook, $wayOut, $numbers);
        $resolver = new Resolver(
            $callBook,
            new World($callBook, $wayOut, $script->world),
            $numbers,
            $script,
            new Keypad($script->keys, $script->isTimed()),
        );
        $state = $script->number !== null
            ? State::number($script->number)
            : $machine->dialled($script->extension ?? self::fail('nobody is called'), $script->from);
        $now = 0;
        for ($step = 0; $state !== null && $step < 300; $step++) {
            $resolved = $resolver->resolve($state, $now);
            $seconds = $resolved->second - $now;
            $now = $resolved->second;
            $offered = [];
            $fits = false;
            foreach ($choices->of($state) as $choice) {
                $isSame = $choice->event->kind === $resolved->event->kind && (
                    $choice->event->detail === $resolved->event->detail || $choice->event->kind === EventKind::Wrong
                );
                $fits = $fits
                    || ($isSame && $choice->least <= $seconds && ($choice->most === null || $seconds <= $choice->most));
                $offered[] = "{$choice->event->kind->value} {$choice->event->detail} [{$choice->least}, "
                    . "{$choice->most}]";
            }
            self::assertTrue(
                $fits,
                "{$resolved->event->kind->value} {$resolved->event->detail} after {$seconds} s "
                    . "in {$state->key()} is not among\n" . implode("\n", $offered) . "\n{$scriptJson}",
            );
            $state = $machine->step($state, $resolved->event)->state;
        }
    }

    /** @return iterable<string, array{string, string, array<string, mixed>}> */
    public static function cases(): iterable
    {
        foreach (CaseFiles::all() as $name => [$book, $script]) {
            // Codes and hot desks end at once: they are traced, not explored (docs/features.md).
            if (preg_match('/"to": "[*]|"from": "device:guest/', $script) !== 1) {
                yield $name => [$book, $script];
            }
        }
    }

    public function test_all_ends_of_a_menu_are_found_and_the_passive_run_is_one_of_them(): void
    {
        $book = BookFormat::fromValue([
            'format' => 'jaunty-roster/tenant-book', 'version' => 1,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [['key' => '+19025550100', 'destination' => 'menu:main']],
            'users' => [['key' => 'ana', 'legs' => [['item' => 'desk']]]],
            'mailboxes' => [['key' => 'quiet'], ['key' => 'wrong']],
            'menus' => [[
                'key' => 'main', 'keys' => ['1' => ['to' => 'user:ana'], '9' => ['to' => 'release']],
                'silence' => 'mailbox:quiet', 'invalid' => 'mailbox:wrong',
            ]],
        ]);
        $explored = Explorer::explore(new Graph($book, 0));
        $start = State::number('+19025550100');
        $ends = array_map(static fn (array $end): string => "{$end[0]->value} {$end[1]}", $explored->ends($start));
        sort($ends);

        self::assertTrue($explored->isComplete);
        self::assertSame(
            ['answered user:ana', 'messageIn mailbox:quiet', 'messageIn mailbox:wrong', 'released menu:main'],
            $ends,
        );
        [, $outcome, $target] = $explored->passiveRun($start);
        self::assertSame([Outcome::MessageIn, 'mailbox:quiet'], [$outcome, $target]);
    }

    public function test_a_passive_run_that_comes_back_to_itself_has_no_end(): void
    {
        $book = BookFormat::fromValue([
            'format' => 'jaunty-roster/tenant-book', 'version' => 1,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [['key' => '+19025550100', 'destination' => 'group:a']],
            'groups' => [
                ['key' => 'a', 'otherwise' => ['noAnswer' => 'group:b']],
                ['key' => 'b', 'otherwise' => ['noAnswer' => 'group:a']],
            ],
        ]);

        [$passed, $outcome, $target] = Explorer::explore(new Graph($book, 0))->passiveRun(
            State::number('+19025550100'),
        );

        self::assertNull($outcome);
        self::assertSame('group:a', $target);
        self::assertCount(3, $passed);
    }

    public function test_a_bound_that_is_reached_is_said(): void
    {
        $book = BookFormat::fromJson((string) CaseFiles::all()->current()[0]);

        self::assertTrue(Explorer::explore(new Graph($book, 0))->isComplete);
        self::assertFalse(Explorer::explore(new Graph($book, 0), mostStates: 1)->isComplete);
    }

    /** @return \Closure(Schedule, string): string */
    private function hours(Book $book, int $at): \Closure
    {
        return static fn (Schedule $schedule, string $zone): string => ScheduleClock::of($schedule, $book, $zone)->at(
            $at,
        );
    }
}
