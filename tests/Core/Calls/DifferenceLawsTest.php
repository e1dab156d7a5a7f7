<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\AllCalls\Graph;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Calls\OneCall\UnusableScript;
use Jaunty\Core\Calls\TwoBooks\CommonNames;
use Jaunty\Core\Calls\TwoBooks\Contrast;
use Jaunty\Core\Calls\TwoBooks\Difference;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Core\RandomScripts;

/** What callers are said to notice is held against calls, on books edited as technicians edit them. */
final class DifferenceLawsTest extends TestCase
{
    private const SECONDS = 400 * 86_400;

    private const CALLS = 40;

    private const CALLS_DEEP = 1_500;

    /** Where nothing is found, nobody can make a call that goes otherwise. */
    #[DataProvider('pairs')]
    public function test_nobody_can_make_a_call_that_tells_apart_what_is_not_told(
        string $what,
        Book $before,
        Book $after,
        int $seed,
    ): void {
        $difference = Difference::between($before, $after, RandomScripts::FROM, self::SECONDS);
        self::assertTrue($difference->isComplete);
        $dice = new RandomScripts($seed);
        for (
            $left = $difference->isEmpty() ? (getenv('DEEP') === 'yes' ? self::CALLS_DEEP : self::CALLS) : 0;
            $left > 0;
            $left--
        ) {
            $call = $dice->of($left % 2 === 0 ? $before : $after);
            $call['world'] = array_filter(
                $call['world'],
                static fn (string $who): bool => preg_match('/^(site:|platform|trunk:|leg:)/', $who) !== 1,
                ARRAY_FILTER_USE_KEY,
            );
            // Keys fall where they are listened for: a second more or less before is of degree.
            $call['keys'] = array_map(static fn (array $key): array => ['key' => $key['key']], $call['keys']);
            try {
                [$was, $is] = array_map(
                    static fn (Book $book): Trace => Trace::of($book, Script::read($call, $book)),
                    [$before, $after],
                );
            } catch (UnusableScript) {
                continue;
            }
            // By keys a caller may be handed on for ever: on which of the ways the switch gives up is no matter of the
            // book.
            if ($was->outcome !== Outcome::Overrun && $is->outcome !== Outcome::Overrun) {
                self::assertSame(
                    [$was->outcome, $was->target],
                    [$is->outcome, $is->target],
                    "{$what}: " . json_encode($call, JSON_THROW_ON_ERROR),
                );
            }
        }
    }

    /** Who is newly or no longer reached is the difference of who can be reached in each book, whatever the ways. */
    #[DataProvider('pairs')]
    public function test_who_is_reached_is_what_the_explorers_of_both_books_reach(
        string $what,
        Book $before,
        Book $after,
    ): void {
        $difference = Difference::between($before, $after, RandomScripts::FROM, self::SECONDS);
        $reached = [[], []];
        $names = [CommonNames::own(), CommonNames::of($before, $after)];
        foreach ($difference->periods->classes as $said) {
            foreach ([$before, $after] as $side => $book) {
                $graph = new Graph($book, RandomScripts::FROM);
                $says = [];
                foreach ($said as $slot => $state) {
                    [$of, $own] = explode(' ', $slot, 2);
                    $says += $of === ['before', 'after'][$side] ? [$own => $state] : [];
                }
                $graph->say($says);
                foreach ($graph->numbers() as $number) {
                    foreach (Explorer::explore($graph, [$number])->edges as $edges) {
                        foreach ($edges as $edge) {
                            if ($edge->choice->event->kind === EventKind::Answered) {
                                $reached[$side][$names[$side]->name($edge->choice->event->detail)] = true;
                            }
                        }
                    }
                }
            }
        }
        self::assertEqualsCanonicalizing(
            array_keys(array_diff_key($reached[1], $reached[0])),
            $difference->newlyReached,
            $what,
        );
        self::assertEqualsCanonicalizing(
            array_keys(array_diff_key($reached[0], $reached[1])),
            $difference->noLongerReached,
            $what,
        );
    }

    /** @return iterable<string, array{string, Book, Book, int}> */
    public static function pairs(): iterable
    {
        $seed = 2_601;
        foreach (CaseFiles::all() as $name => [$json]) {
            if (! str_ends_with($name, ' 1')) {
                continue;
            }
            $value = (array) json_decode($json, true, flags: JSON_THROW_ON_ERROR);
            $before = BookFormat::fromValue($value);
            for ($edit = 0; $edit < 2; $edit++) {
                $dice = new Randomizer(new Mt19937(++$seed));
                for ($try = 0; $try < 20; $try++) {
                    [$what, $edited] = self::edited($value, $dice);
                    try {
                        $after = BookFormat::fromValue($edited);
                    } catch (UnusableBook) {
                        continue;
                    }
                    if ($edited !== $value) {
                        yield "{$name} {$edit} {$what}" => [$what, $before, $after, $seed];

                        break;
                    }
                }
            }
        }
    }

    public function test_call_waiting_and_passing_over_the_busy_are_noticed(): void
    {
        $with = static fn (array $user, array $group = []): Book => BookFormat::fromValue([
            'format' => 'jaunty-roster/tenant-book', 'version' => 1,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [
                ['key' => '+19025550100', 'destination' => 'user:ana'],
                ['key' => '+19025550101', 'destination' => 'group:desk'],
            ],
            'users' => [
                $user + ['key' => 'ana', 'mailbox' => 'mailbox:ana', 'legs' => [['item' => 'desk']]],
                ['key' => 'bo', 'legs' => [['item' => 'desk']]],
            ],
            'groups' => [$group + [
                'key' => 'desk', 'skipBusy' => false,
                'members' => [['item' => 'a', 'who' => 'user:ana'], ['item' => 'b', 'who' => 'user:bo']],
                'mailbox' => 'mailbox:ana',
            ]],
            'mailboxes' => [['key' => 'ana']],
        ]);

        self::assertSame(
            [
                'every caller: rings user:ana, no longer while user:ana is on a call',
                'every caller: rings user:ana, user:bo, no longer while user:ana is on a call',
            ],
            self::told($with([]), $with(['callWaiting' => false])),
        );
        self::assertSame(
            ['every caller: rings user:ana, user:bo, no longer while user:ana, user:bo is on a call'],
            self::told($with([]), $with([], ['skipBusy' => true])),
        );
    }

    public function test_a_lower_limit_of_transfers_is_noticed(): void
    {
        $with = static fn (int $limit): Book => BookFormat::fromValue([
            'format' => 'jaunty-roster/tenant-book', 'version' => 1,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax', 'transferLimit' => $limit],
            'numbers' => [['key' => '+19025550100', 'destination' => 'announcement:hello']],
            'announcements' => [['key' => 'hello', 'then' => 'group:desk']],
            'groups' => [['key' => 'desk', 'members' => [], 'otherwise' => ['noAnswer' => 'user:ana']]],
            'users' => [['key' => 'ana', 'mailbox' => 'mailbox:ana', 'legs' => [['item' => 'desk']]]],
            'mailboxes' => [['key' => 'ana']],
        ]);

        self::assertSame([], self::told($with(20), $with(3)));
        self::assertSame(
            [
                'a caller after no answer: leaves a message with mailbox:ana -> is '
                    . 'transferred too often, before mailbox:ana',
            ],
            self::told($with(20), $with(2)),
        );
    }

    public function test_what_nobody_can_tell_apart_is_no_difference(): void
    {
        $with = static fn (array $members): Book => BookFormat::fromValue([
            'format' => 'jaunty-roster/tenant-book', 'version' => 1,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [['key' => '+19025550100', 'destination' => 'group:desk']],
            'users' => [['key' => 'ana', 'legs' => []]],
            'groups' => [['key' => 'desk', 'members' => $members, 'mailbox' => 'mailbox:ana']],
            'mailboxes' => [['key' => 'ana']],
        ]);

        self::assertSame([], self::told($with([['item' => 'a', 'who' => 'user:ana']]), $with([])));
    }

    /** @return list<string> */
    private static function told(Book $before, Book $after): array
    {
        return array_map(
            static fn (Contrast $contrast): string => $contrast->words(),
            Difference::between($before, $after, RandomScripts::FROM, self::SECONDS)->contrasts,
        );
    }

    /**
     * @param  array<mixed>  $value
     * @return array{string, array<mixed>}
     */
    private static function edited(array $value, Randomizer $dice): array
    {
        $pick = static fn (array $from): mixed => $from[$dice->getInt(0, count($from) - 1)];
        $to = ['release', 'busy', null];
        foreach (
            [
                'users' => 'user', 'groups' => 'group', 'mailboxes' => 'mailbox', 'menus' => 'menu',
                'chains' => 'chain',
            ] as $list => $kind
        ) {
            foreach ($value[$list] ?? [] as $object) {
                $to[] = "{$kind}:{$object['key']}";
            }
        }
        $flip = static fn (string $field, bool $default): callable => static fn (array $of): array => [
            $field => ! ($of[$field] ?? $default),
        ]
            + $of;
        $set = static fn (string $field, mixed $new): callable => static fn (array $of): array => [$field => $new]
            + $of;
        $otherwise = static fn (array $of): array => [
            'otherwise' => [
                $pick(['closed', 'nobodySignedIn', 'allUnreachable', 'allBusy', 'noAnswer', 'queueFull']) => $pick($to),
            ]
            + ($of['otherwise'] ?? []),
        ]
            + $of;
        $edits = [
            'users' => [
                'callWaiting' => $flip('callWaiting', true),
                'status' => $set('status', $pick(['active', 'suspended', 'leaver'])),
                'mailbox' => $set('mailbox', null),
                'legs' => static fn (array $of): array => ['legs' => array_slice($of['legs'] ?? [], 1)] + $of,
                'on a call' => static fn (array $of): array => [
                    'handling' => ['open' => ['onACall' => $pick($to)] + ($of['handling']['open'] ?? [])]
                    + ($of['handling'] ?? []),
                ]
                    + $of,
            ],
            'groups' => [
                'skipBusy' => $flip('skipBusy', true), 'enabled' => $flip('enabled', true),
                'handClosable' => $flip('handClosable', false), 'closedByHand' => $flip('closedByHand', false),
                'signInBy' => $set('signInBy', $pick(['member', 'administrator'])),
                'tierTwo' => $set('tierTwo', $pick(['unavailable', 'alsoTried'])),
                'members' => static fn (array $of): array => ['members' => array_slice($of['members'] ?? [], 1)] + $of,
                'otherwise' => $otherwise,
                'order' => $set('order', $pick(['simultaneous', 'sequential', 'roundRobin', 'longestIdle'])),
            ],
            'menus' => [
                'plays' => $set('plays', $dice->getInt(1, 4)), 'silence' => $set('silence', $pick($to)),
                'invalidAllowed' => $set('invalidAllowed', $dice->getInt(1, 4)),
                'transfer' => $set('transfer', $pick(['comesBack', 'blind'])),
                'keys' => static fn (array $of): array => [
                    'keys' => [(string) $dice->getInt(0, 9) => ['to' => $pick($to)]] + ($of['keys'] ?? []),
                ]
                    + $of,
            ],
            'mailboxes' => [
                'full' => $flip('full', false),
                'enabled' => $flip('enabled', true),
                'zero' => $set('zero', $pick($to)),
            ],
            'chains' => [
                'places' => static fn (array $of): array => ['places' => array_slice($of['places'] ?? [], 1)] + $of,
            ],
            'numbers' => [
                'destination' => $set('destination', $pick($to)),
                'callerRules' => static fn (array $of): array => [
                    'callerRules' => array_reverse($of['callerRules'] ?? []),
                ]
                    + $of,
            ],
        ];
        $lists = array_values(
            array_filter(array_keys($edits), static fn (string $list): bool => ($value[$list] ?? []) !== []),
        );
        if ($lists === [] || $dice->getInt(1, 12) === 1) {
            $value['tenant']['transferLimit'] = $dice->getInt(2, 20);

            return ['transferLimit', $value];
        }
        $list = $pick($lists);
        $place = $dice->getInt(0, count($value[$list]) - 1);
        $what = $pick(array_keys($edits[$list]));
        $value[$list][$place] = $edits[$list][$what]($value[$list][$place]);

        return ["{$list} {$what}", $value];
    }
}
