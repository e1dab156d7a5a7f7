<?php

declare(strict_types=1);

namespace Tests\Core\Rulers;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Rulers\Bar;
use Jaunty\Core\Rulers\TimingRuler;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class TimingRulerTest extends TestCase
{
    public function test_the_third_member_gets_three_seconds_of_a_ring(): void
    {
        $ruler = self::group(['order' => 'sequential', 'noAnswerSeconds' => 33], ['a', 'b', 'c']);

        self::assertSame([[0, 15, 'whole', 3], [15, 30, 'whole', 3], [30, 45, 'never', 0]], self::drawn($ruler));
        self::assertSame([33, 45], [$ruler->limit, $ruler->onePass]);
        self::assertSame(
            'One full pass: 3 members × 3 rings × 5 s = 45 s. Not everybody has rung by then.',
            $ruler->words,
        );
    }

    public function test_a_member_without_a_share_has_no_turn_and_none_is_waited_for(): void
    {
        $book = self::book(['order' => 'weighted', 'noAnswerSeconds' => 60], [
            ['item' => 'a', 'who' => 'user:a', 'share' => 60],
            ['item' => 'b', 'who' => 'user:b', 'share' => 0],
            ['item' => 'c', 'who' => 'user:c', 'share' => 40],
        ]);
        $ruler = self::ruler($book);

        self::assertSame([false, true, false], array_column($ruler->bars, 'isPassedOver'));
        self::assertSame([0, 15, 15], array_column($ruler->bars, 'from'));
        self::assertSame('One full pass: 2 members × 3 rings × 5 s = 30 s.', $ruler->words);
    }

    public function test_a_pass_counts_the_second_tier_where_it_is_tried_too(): void
    {
        $members = [
            ['item' => 'a', 'who' => 'user:a'], ['item' => 'b', 'who' => 'user:b'],
            ['item' => 'c', 'who' => 'user:c', 'tier' => 2],
        ];
        $words = static fn (string $tierTwo): string => self::ruler(
            self::book(['order' => 'sequential', 'noAnswerSeconds' => 60, 'tierTwo' => $tierTwo], $members),
        )->words;

        self::assertSame('One full pass: 3 members × 3 rings × 5 s = 45 s.', $words('alsoTried'));
        self::assertSame('One full pass: 2 members × 3 rings × 5 s = 30 s.', $words('unavailable'));
    }

    public function test_a_mobile_takes_the_call_when_its_own_mailbox_would(): void
    {
        $ruler = self::group(['noAnswerSeconds' => 30], ['a', 'outside:+19025550178']);

        self::assertSame([null, 20], array_column($ruler->bars, 'mailboxAt'));
    }

    /**
     * The law: where everybody rings and nobody answers, the traced call rings whom the ruler draws, when it draws
     * them.
     */
    public function test_it_draws_what_a_traced_call_does(): void
    {
        $dice = new Randomizer(new Mt19937(5));
        for ($i = 0; $i < 120; $i++) {
            $fields = [
                'order' => $dice->getInt(0, 2) === 0 ? 'simultaneous' : 'sequential',
                'ringsEach' => $dice->getInt(1, 4), 'rotations' => $dice->getInt(1, 2),
                'noAnswerSeconds' => $dice->getInt(0, 1) === 0 ? null : $dice->getInt(4, 70),
                'tierTwo' => $dice->getInt(0, 1) === 0 ? 'unavailable' : 'alsoTried',
            ];
            $members = array_map(
                static fn (string $key): array => [
                    'item' => $key,
                    'who' => "user:{$key}",
                    'tier' => $dice->getInt(0, 3) === 0 ? 2 : 1,
                ],
                array_slice(['a', 'b', 'c', 'd'], 0, $dice->getInt(1, 4)),
            );
            $book = self::book($fields, $members);
            $trace = Trace::of($book, Script::read(['to' => '300', 'at' => '2026-12-02T12:00'], $book));
            $rung = [];
            foreach ($trace->steps as $step) {
                if ($step->what === 'rings') {
                    $rung[] = "{$step->object} {$step->at}";
                }
            }
            $drawn = [];
            foreach (self::ruler($book)->bars as $bar) {
                if ($bar->reached !== Bar::NEVER) {
                    $drawn[] = "{$bar->who} {$bar->from}";
                }
            }
            sort($rung);
            sort($drawn);
            self::assertSame($rung, $drawn, json_encode([$fields, $members], JSON_THROW_ON_ERROR));
        }
    }

    public function test_places_after_one_that_keeps_the_call_are_dead(): void
    {
        $book = self::book([], [['item' => 'a', 'who' => 'user:a']], [['key' => 'nights', 'places' => [
            ['item' => 'one', 'to' => 'user:a', 'rings' => 4],
            ['item' => 'two', 'to' => 'outside:+19025550178', 'rings' => 5], ['item' => 'three', 'to' => 'release'],
            ['item' => 'four', 'to' => 'user:b'],
        ]]]);
        $chain = $book->find(Reference::to(Kind::Chain, 'nights'));
        self::assertInstanceOf(Chain::class, $chain);
        $ruler = TimingRuler::ofChain($chain, new CallBook($book, static fn (): string => 'open'));

        self::assertSame(
            [[0, 20, 'whole', 4], [20, 45, 'whole', 5], [45, 45, 'whole', 0], [45, 60, 'never', 0]],
            self::drawn($ruler),
        );
        self::assertSame(40, $ruler->bars[1]->mailboxAt);
        self::assertStringContainsString('One place after a place that keeps the call', $ruler->words);
    }

    public function test_a_users_phones_ring_together_or_in_order(): void
    {
        $user = ['key' => 'z', 'extension' => '209', 'legs' => [['item' => 'desk', 'seconds' => 20], [
            'item' => 'mobile', 'kind' => 'outside', 'number' => '+19025550178', 'seconds' => 25,
        ]]];
        $drawn = static function (string $ring) use ($user): array {
            $book = BookFormat::fromValue([
                'format' => BookFormat::FORMAT, 'version' => 1, 'tenant' => ['key' => 't', 'zone' => 'UTC'],
                'users' => [$user + ['handling' => ['open' => ['ring' => $ring]]]],
            ]);
            $found = $book->find(Reference::to(Kind::User, 'z'));
            self::assertInstanceOf(User::class, $found);

            return self::drawn(
                TimingRuler::ofUser($found, $found->open, new CallBook($book, static fn (): string => 'open')),
            );
        };

        self::assertSame([[0, 20, 'whole', 4], [0, 25, 'whole', 5]], $drawn('together'));
        self::assertSame([[0, 20, 'whole', 4], [20, 45, 'whole', 5]], $drawn('inOrder'));
    }

    /** @return list<array{int, int, string, int}> */
    private static function drawn(TimingRuler $ruler): array
    {
        return array_map(
            static fn (Bar $bar): array => [$bar->from, $bar->to, $bar->reached, $bar->rings],
            $ruler->bars,
        );
    }

    /**
     * @param  array<string, mixed>  $fields
     * @param  list<string>  $members
     */
    private static function group(array $fields, array $members): TimingRuler
    {
        return self::ruler(self::book($fields, array_map(
            static fn (string $who): array => [
                'item' => substr(md5($who), 0, 6),
                'who' => str_contains($who, ':') ? $who : "user:{$who}",
            ],
            $members,
        )));
    }

    private static function ruler(Book $book): TimingRuler
    {
        $group = $book->find(Reference::to(Kind::Group, 'crew'));
        self::assertInstanceOf(Group::class, $group);

        return TimingRuler::ofGroup($group, new CallBook($book, static fn (): string => 'open'));
    }

    /**
     * @param  array<string, mixed>  $fields
     * @param  list<array<string, mixed>>  $members
     * @param  list<array<string, mixed>>  $chains
     */
    private static function book(array $fields, array $members, array $chains = []): Book
    {
        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => 1, 'tenant' => ['key' => 't', 'zone' => 'America/Halifax'],
            'users' => array_map(
                static fn (string $key): array => ['key' => $key, 'legs' => [['item' => 'desk']]],
                ['a', 'b', 'c', 'd'],
            ),
            'groups' => [
                ['key' => 'crew', 'extension' => '300', 'members' => $members, 'otherwise' => ['noAnswer' => 'release']]
                + $fields,
            ],
            'chains' => $chains,
        ]);
    }
}
