<?php

declare(strict_types=1);

namespace Tests\Core;

use Jaunty\Core\Book\Book;
use Jaunty\Core\CallRecords\CallRecord;
use Jaunty\Core\CallRecords\CallsMade;
use Jaunty\Core\CallRecords\NumberForms;
use Jaunty\Core\CallRecords\RungTally;
use Jaunty\Core\Calls\Law\Outcome;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Core\Audit\Samples;

/** Calls added up. */
final class CallRecordsTest extends TestCase
{
    private const MAIN = 'number:+19025550150';

    /** @param array<string, mixed> $more */
    private static function call(
        int $at,
        Outcome $outcome,
        ?string $target,
        int $waited = 10,
        int $talked = 0,
        array $more = [],
    ): CallRecord {
        return new CallRecord(...$more + [
            'at' => $at, 'from' => null, 'called' => self::MAIN, 'outcome' => $outcome, 'target' => $target,
            'groups' => ['group:desk'], 'rang' => ['user:ines', 'user:joss'], 'waited' => $waited, 'talked' => $talked,
        ]);
    }

    public function test_who_takes_calls_and_who_only_rings(): void
    {
        $history = new CallsMade([
            self::call(100, Outcome::Answered, 'user:ines', 5, 60),
            self::call(200, Outcome::Answered, 'user:ines', 15, 30),
            self::call(300, Outcome::MessageIn, 'mailbox:desk', 40),
            self::call(400, Outcome::Released, null, 90, 0, ['groups' => [], 'rang' => []]),
            self::call(500, Outcome::Answered, 'user:cleo', 0, 5, [
                'called' => 'extension:203',
                'groups' => [],
                'rang' => [],
            ]),
        ]);

        $whole = $history->whole();
        self::assertSame([5, 3, 2, 1, 15, 90, 95, 500], [
            $whole->calls, $whole->answered, $whole->missed(), $whole->messages, $whole->usualWait, $whole->longestWait,
            $whole->talked, $whole->lastAnswered,
        ]);
        self::assertSame(
            [4, 1],
            array_map(static fn ($tally): int => $tally->calls, array_values($history->byNumber())),
        );
        self::assertSame(
            [3, 2],
            [$history->byGroup()['group:desk']->calls, $history->byGroup()['group:desk']->answered],
        );
        self::assertEquals(
            [
                'user:ines' => new RungTally(3, 2, 200),
                'user:joss' => new RungTally(3, 0, null),
                'user:cleo' => new RungTally(1, 1, 500),
            ],
            $history->byUser(),
        );
    }

    public function test_no_call_is_no_wait(): void
    {
        $whole = (new CallsMade([]))->whole();

        self::assertSame([0, null, null, null], [
            $whole->calls, $whole->usualWait, $whole->longestWait, $whole->lastAnswered,
        ]);
        self::assertSame(0, (new CallsMade([]))->mostAtOnce());
    }

    /** A number says itself in which form it comes, or its trunk does for all of them. */
    public function test_the_form_in_which_numbers_come_is_held_against_the_trunk_s(): void
    {
        $book = static fn (string $says, ?string $own = null): Book => Samples::book(
            ['mailboxes' => [['key' => 'desk']], 'trunks' => [['key' => 'main', 'deliversAs' => $says]], 'numbers' => [[
                'key' => '+19025550150', 'destination' => 'mailbox:desk', 'trunk' => 'trunk:main',
                'deliveredAs' => $own,
            ]]],
        );
        $forms = static fn (Book $book, string ...$came): array => array_map(
            static fn (NumberForms $forms): array => [array_sum($forms->calls), $forms->instead()?->value],
            NumberForms::of($book, new CallsMade(array_map(
                static fn (string $as): CallRecord => self::call(1, Outcome::Released, null, more: ['cameAs' => $as]),
                array_values($came),
            ))),
        );

        self::assertSame([[2, 'withoutPlus']], $forms($book('e164'), '19025550150', '19025550150'));
        self::assertSame([[2, null]], $forms($book('withoutPlus'), '19025550150', '19025550150'));
        self::assertSame(
            [[3, 'national']],
            $forms($book('e164'), '+19025550150', '9025550150', '9025550150'),
            'as most of them came',
        );
        self::assertSame([], $forms($book('e164', 'national'), '19025550150'), 'the number says so itself');
        self::assertSame([], $forms($book('e164'), '150'), 'nobody knows what that is');
    }

    /** Counted second by second, whatever the calls. */
    public function test_the_most_calls_at_once_are_those_of_the_busiest_second(): void
    {
        for ($seed = 0; $seed < 60; $seed++) {
            $dice = new Randomizer(new Mt19937($seed));
            $records = [];
            for ($i = 0, $count = $dice->getInt(1, 12); $i < $count; $i++) {
                $records[] = self::call(
                    $dice->getInt(0, 60),
                    Outcome::Answered,
                    'user:ines',
                    $dice->getInt(0, 10),
                    $dice->getInt(0, 20),
                );
            }
            $bySecond = array_map(
                static fn (int $second): int => count(array_filter(
                    $records,
                    static fn (CallRecord $record): bool => $record->at <= $second
                        && $second < $record->at + max(1, $record->waited + $record->talked),
                )),
                range(0, 100),
            );

            self::assertSame(max($bySecond), (new CallsMade($records))->mostAtOnce(), "{$seed}");
        }
    }
}
