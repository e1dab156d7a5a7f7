<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Calls\AllCalls\Graph;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Calls\TwoBooks\CommonNames;
use Jaunty\Core\Calls\TwoBooks\Contrast;
use Jaunty\Core\Calls\TwoBooks\Difference;
use Jaunty\Core\Calls\TwoBooks\Encounters;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class DifferenceTest extends TestCase
{
    private const FROM = 1_796_083_200; // 2026-12-01T00:00:00Z

    private const TWO_DAYS = 172_800;

    /** More in a row that leave no choice go round for ever. */
    private const MOST_FORCED = 40;

    /** The Explorer's free world knows no outages, so neither does a difference. */
    private const OUTAGE = '/"(site:|platform|trunk:)/';

    #[DataProviderExternal(CaseBooksTest::class, 'books')]
    public function test_a_book_does_not_differ_from_itself_read_again(string $json): void
    {
        $difference = Difference::between(BookFormat::fromJson($json), BookFormat::fromJson($json), self::FROM);

        self::assertSame([], array_map(
            static fn (Contrast $contrast): string => "{$contrast->called} {$contrast->words()}",
            $difference->contrasts,
        ));
        self::assertSame(
            [[], [], true],
            [$difference->newlyReached, $difference->noLongerReached, $difference->isComplete],
        );
    }

    /** The law: what no difference is found in, no test call can tell apart. */
    #[DataProvider('mutants')]
    public function test_where_a_test_call_ends_otherwise_there_is_a_difference(
        string $json,
        string $mutantJson,
        string $scriptJson,
    ): void {
        [$book, $mutant] = [BookFormat::fromJson($json), BookFormat::fromJson($mutantJson)];
        $script = Script::read(json_decode($scriptJson, true), $book);
        $difference = Difference::between($book, $mutant, $script->at - 86_400, self::TWO_DAYS);
        $was = Trace::of($book, $script);
        $is = Trace::of($mutant, $script);

        // What codes do is no call of anybody's from outside, and is not compared.
        if ($difference->isEmpty() && $script->code === null) {
            self::assertSame([$was->outcome, $was->target], [$is->outcome, $is->target], $scriptJson);
        }
        self::assertTrue($difference->isComplete);
    }

    /** The law: followed step by step in both books, the script of a difference leads to where they differ. */
    #[DataProvider('mutants')]
    public function test_the_script_of_a_difference_leads_to_it(string $json, string $mutantJson): void
    {
        [$book, $mutant] = [BookFormat::fromJson($json), BookFormat::fromJson($mutantJson)];
        $difference = Difference::between($book, $mutant, self::FROM, self::TWO_DAYS);
        $sides = [
            Encounters::of($book, CommonNames::own(), self::FROM),
            Encounters::of($mutant, CommonNames::of($book, $mutant), self::FROM),
        ];
        foreach ($difference->contrasts as $contrast) {
            foreach ($sides as $side => $encounters) {
                $says = $this->says($difference, $contrast, $side);
                $encounters->graph->say($says);
                $state = $encounters->graph->named(static fn (string $number): string => $number)[$contrast->called];
                $met = $encounters->from($state, $says)[1];
                foreach ($contrast->script as $label) {
                    // What can happen in one book only went on as doing nothing does in the other.
                    $next = ($met->events[$label] ?? $met->passive() ?? self::fail(
                        "{$contrast->called}: {$contrast->words()}",
                    ))->next;
                    $met = $next->state === null ? $encounters->end($next) : $encounters->from($next->state, $says)[1];
                }
                self::assertSame(($side === 0 ? $contrast->before : $contrast->after)->words(), $met->words());
            }
        }
        self::assertSame(
            Difference::between($mutant, $book, self::FROM, self::TWO_DAYS)->isEmpty(),
            $difference->isEmpty(),
        );
    }

    /** The law: on small books nothing is found exactly where writing out every call finds no other either. */
    #[DataProvider('mutants')]
    public function test_nothing_is_found_exactly_where_every_call_written_out_is_the_same(
        string $json,
        string $mutantJson,
    ): void {
        [$book, $mutant] = [BookFormat::fromJson($json), BookFormat::fromJson($mutantJson)];
        $difference = Difference::between($book, $mutant, self::FROM, self::TWO_DAYS);
        $depth = 4;
        $differs = false;
        foreach (array_keys($difference->periods->classes) as $class) {
            $written = [];
            foreach ([$book, $mutant] as $side => $of) {
                $graph = new Graph($of, self::FROM);
                $graph->say($this->saysIn($difference, $class, $side));
                foreach ($graph->starts() as $start) {
                    $written[$side][$start->key()] = $this->written($graph, $start, $depth);
                }
            }
            $differs = $differs || $written[0] !== $written[1];
        }
        $found = array_filter(
            $difference->contrasts,
            static fn (Contrast $contrast): bool => $contrast->ofDegree === null
                && $contrast->before->heard === $contrast->after->heard
                && count($contrast->script) < $depth - 2
                && $contrast->before->people === $contrast->after->people,
        );

        if ($differs) {
            self::assertFalse($difference->isEmpty());
        }
        if ($found !== []) {
            self::assertTrue($differs, reset($found)->words());
        }
        self::assertNotEmpty($difference->periods->classes);
    }

    public function test_a_key_renamed_under_its_id_is_no_difference(): void
    {
        $json = json_encode([
            'format' => 'jaunty-roster/tenant-book', 'version' => 1,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [['key' => '+19025550100', 'destination' => 'user:ana']],
            'users' => [
                ['key' => 'ana', 'id' => '018f3f5e-0000-7000-8000-000000000001', 'legs' => [['item' => 'desk']]],
            ],
        ], JSON_THROW_ON_ERROR);
        $book = BookFormat::fromJson($json);

        self::assertTrue(
            Difference::between(
                $book,
                BookFormat::fromJson(str_replace(['user:ana', '"ana"'], ['user:anastasia', '"anastasia"'], $json)),
                self::FROM,
            )->isEmpty(),
        );
        self::assertFalse(
            Difference::between(
                $book,
                BookFormat::fromJson(str_replace('000001', '000002', $json)),
                self::FROM,
            )->isEmpty(),
            'another person under the same key',
        );
    }

    /** Two kinds with the same words would be taken for one event of both books. */
    public function test_each_kind_of_event_has_words_of_its_own(): void
    {
        $words = array_map(static fn (EventKind $kind): string => $kind->inWords('4'), EventKind::cases());

        self::assertSame($words, array_values(array_unique($words)));
        self::assertSame([], preg_grep('/[a-z][A-Z]/', $words), 'names of the code');
    }

    public function test_an_order_of_ringing_is_told_as_the_screens_do(): void
    {
        $group = static fn (array $more): Book => BookFormat::fromValue([
            'format' => 'jaunty-roster/tenant-book', 'version' => 1,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [['key' => '+19025550100', 'destination' => 'group:desk']],
            'users' => [['key' => 'ana', 'legs' => [['item' => 'd']]], ['key' => 'ben', 'legs' => [['item' => 'd']]]],
            'groups' => [[
                'key' => 'desk',
                'members' => [['item' => 'ana', 'who' => 'user:ana'], ['item' => 'ben', 'who' => 'user:ben']],
                ...$more,
            ]],
        ]);
        $words = static fn (array $before, array $after): array => array_values(array_unique(array_map(
            static fn (Contrast $contrast): string => $contrast->words(),
            Difference::between($group($before), $group($after), self::FROM)->contrasts,
        )));
        $ordered = ['order' => 'sequential', 'ringsEach' => 4, 'noAnswerSeconds' => 40];

        self::assertSame(
            ['every caller: rings user:ana, user:ben (top down, 4 rings), was all at once'],
            $words(['noAnswerSeconds' => 40], $ordered),
        );
        self::assertSame([], $words(['noAnswerSeconds' => 40], ['noAnswerSeconds' => 40, 'ringsEach' => 9]));
    }

    public function test_what_only_takes_longer_is_of_degree(): void
    {
        $book = static fn (int $seconds, string $hours = '08:00'): Book => BookFormat::fromValue([
            'format' => 'jaunty-roster/tenant-book', 'version' => 1,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [['key' => '+19025550100', 'destination' => 'attendant:front']],
            'schedules' => [['key' => 'office', 'weekly' => [
                ['item' => 'day', 'days' => ['sat'], 'from' => $hours, 'to' => '12:00'],
            ]]],
            'attendants' => [['key' => 'front', 'schedule' => 'schedule:office', 'answers' => [
                ['item' => 'open', 'when' => 'open', 'then' => 'user:ana'],
                ['item' => 'closed', 'when' => 'closed', 'then' => 'mailbox:ana'],
            ]]],
            'users' => [
                ['key' => 'ana', 'mailbox' => 'mailbox:ana', 'legs' => [['item' => 'desk', 'seconds' => $seconds]]],
            ],
            'mailboxes' => [['key' => 'ana']],
        ]);

        self::assertTrue(Difference::between($book(20), $book(24), self::FROM)->isEmpty(), 'within 5 s');
        $contrasts = Difference::between($book(20), $book(40), self::FROM)->contrasts;
        self::assertSame([['number:+19025550100', 'no answer after 40 s, was 20 s']], array_map(
            static fn (Contrast $contrast): array => [$contrast->called, (string) $contrast->ofDegree],
            $contrasts,
        ));

        $later = Difference::between($book(20), $book(20, '09:00'), self::FROM);
        self::assertSame(
            ['every caller: rings user:ana -> leaves a message with mailbox:ana'],
            array_map(static fn (Contrast $contrast): string => $contrast->words(), $later->contrasts),
        );
        foreach ($later->periods->when(...$later->contrasts[0]->classes) as [$from, $to]) {
            self::assertSame(3600, $to - $from);
        }
    }

    public function test_who_is_newly_and_no_longer_reached_is_named(): void
    {
        $book = static fn (string $to): Book => BookFormat::fromValue([
            'format' => 'jaunty-roster/tenant-book', 'version' => 1,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [['key' => '+19025550100', 'destination' => $to]],
            'users' => [
                ['key' => 'ana', 'legs' => [['item' => 'desk']]],
                ['key' => 'bo', 'legs' => [['item' => 'desk']]],
            ],
        ]);
        $difference = Difference::between($book('user:ana'), $book('user:bo'), self::FROM);

        self::assertSame([['user:bo'], ['user:ana']], [$difference->newlyReached, $difference->noLongerReached]);
    }

    /**
     * @return iterable<string, array{string, string, string}> a case's book, the same with one thing changed, and the
     *     case's script
     */
    public static function mutants(): iterable
    {
        foreach (CaseFiles::all() as $name => [$json, $script]) {
            $seed = crc32($name);
            if ($seed % 5 !== 0 || preg_match(self::OUTAGE, $script) === 1) {
                continue;
            }
            $mutant = self::mutant($json, $seed);
            if ($mutant !== null) {
                yield $name => [$json, $mutant, $script];
            }
        }
    }

    /**
     * The book with one destination or one count of seconds or rings changed; null where no try gives a usable book.
     */
    private static function mutant(string $json, int $seed): ?string
    {
        $dice = new Randomizer(new Mt19937($seed));
        preg_match_all(
            '/: ?"\K(user|group|mailbox|menu|chain|attendant|announcement):[\w-]+(?=")'
                . '|"(?:seconds|ringsEach|rotations|noAnswerSeconds|longestWait)": ?\K\d+/',
            $json,
            $found,
            PREG_OFFSET_CAPTURE,
        );
        for ($try = 0; $try < 20 && $found[0] !== []; $try++) {
            [$old, $offset] = $found[0][$dice->getInt(0, count($found[0]) - 1)];
            $new = ctype_digit($old)
                ? (string) ((int) $old + 17)
                : $found[0][$dice->getInt(0, count($found[0]) - 1)][0];
            $mutant = substr_replace($json, $new, $offset, strlen($old));
            try {
                if ($new !== $old && ctype_digit($new) === ctype_digit($old)) {
                    BookFormat::fromJson($mutant);

                    return $mutant;
                }
            } catch (UnusableBook) {
                continue;
            }
        }

        return null;
    }

    /** @return array<string, string> */
    private function says(Difference $difference, Contrast $contrast, int $side): array
    {
        return $this->saysIn($difference, $contrast->classes[0], $side);
    }

    /** @return array<string, string> */
    private function saysIn(Difference $difference, int $class, int $side): array
    {
        $says = [];
        $prefix = ['before ', 'after '][$side];
        foreach ($difference->periods->classes[$class] as $slot => $state) {
            if (str_starts_with($slot, $prefix)) {
                $says[substr($slot, strlen($prefix))] = $state;
            }
        }

        return $says;
    }

    /**
     * Every call from a state, what is forced passed over: what happened, and the end.
     *
     * @return array<string, mixed>
     */
    private function written(Graph $graph, State $state, int $depth, int $forced = 0): array
    {
        $calls = [];
        $edges = $graph->edges($state)->edges;
        $isForced = count($edges) === 1 && $edges[0]->choice->isPassive;
        if ($depth === 0 || $forced > self::MOST_FORCED) {
            return [];
        }
        foreach ($edges as $edge) {
            $label = trim("{$edge->choice->event->kind->value} {$edge->choice->event->detail}");
            $rest = $edge->next->state === null
                ? ["{$edge->next->outcome?->value} {$edge->next->target}" => true]
                : $this->written(
                    $graph,
                    $edge->next->state,
                    $isForced ? $depth : $depth - 1,
                    $isForced ? $forced + 1 : 0,
                );
            $calls = [...$calls, ...($isForced ? $rest : [$label => $rest])];
        }
        ksort($calls);

        return $calls;
    }
}
