<?php

declare(strict_types=1);

namespace Tests\Core\Sentences;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Sentences\CallCompletion;
use Jaunty\Core\Sentences\CallSentence;
use Jaunty\Core\Sentences\UnreadableCall;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Calls\CaseFiles;
use Tests\Core\RandomScripts;

final class CallSentenceTest extends TestCase
{
    /** Wednesday 2 December 2026, 14:05 at Port Merrow. */
    private const NOW = 1_796_234_700;

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function sentences(): iterable
    {
        $main = ['to' => '+19025550110'];
        yield 'a number, a day to come, a key' => [
            '902 555 0110 sat 10:00 press 1',
            $main + ['at' => '2026-12-05T10:00', 'keys' => [['key' => '1']]],
        ];
        yield 'the main number, now' => ['main', $main + ['at' => '2026-12-02T14:05']];
        yield 'with the country' => ['+1 902 555 0110 25 dec 11:00', $main + ['at' => '2026-12-25T11:00']];
        yield 'the last seven digits' => ['555-0110 dec 25 11am', $main + ['at' => '2026-12-25T11:00']];
        yield 'a day that is over comes next year' => ['main 24 may 09:00', $main + ['at' => '2027-05-24T09:00']];
        yield 'today, and still to come' => ['main wed 15:00', $main + ['at' => '2026-12-02T15:00']];
        yield 'today, and over' => ['main wed 14:00', $main + ['at' => '2026-12-09T14:00']];
        yield 'an hour that is over is tomorrow\'s' => ['main 9:00', $main + ['at' => '2026-12-03T09:00']];
        yield 'a written date' => ['main 2027-02-28 noon', $main + ['at' => '2027-02-28T12:00']];
        yield 'from a colleague, and the callee is busy' => ['201 from 202 busy', [
            'to' => '201', 'at' => '2026-12-02T14:05', 'from' => 'user:joss', 'world' => ['user:ines' => 'busy'],
        ]];
        yield 'by name' => [
            'main, Ines Marsh busy and joss is on a call',
            $main + ['at' => '2026-12-02T14:05', 'world' => ['user:ines' => 'busy', 'user:joss' => 'onACall']],
        ];
        yield 'keys, then whose state' => ['main press 1 2# 201 busy', $main + [
            'at' => '2026-12-02T14:05',
            'keys' => [['key' => '1'], ['key' => '2'], ['key' => '#']],
            'world' => ['user:ines' => 'busy'],
        ]];
        yield 'keys by the second, then a date' => [
            'main press 1@12 0@40 25 dec 11:00',
            $main + ['at' => '2026-12-25T11:00', 'keys' => [['key' => '1', 'at' => 12], ['key' => '0', 'at' => 40]]],
        ];
        yield 'a site without power' => [
            'main site quay-end out',
            $main + ['at' => '2026-12-02T14:05', 'world' => ['site:quay-end' => 'out']],
        ];
        yield 'a mobile that is off' => [
            'main 902 555 0178 switched off',
            $main + ['at' => '2026-12-02T14:05', 'world' => ['outside:+19025550178' => 'off']],
        ];
        yield 'from outside' => [
            'main from 902 555 0199 sat',
            $main + ['at' => '2026-12-05T14:05', 'from' => '+19025550199'],
        ];
        yield 'withheld' => ['main from withheld', $main + ['at' => '2026-12-02T14:05', 'from' => 'withheld']];
        yield 'the switch is down' => [
            'main platform out',
            $main + ['at' => '2026-12-02T14:05', 'world' => ['platform' => 'out']],
        ];
        yield 'a group closed by hand' => [
            'main group front closed by hand',
            $main + ['at' => '2026-12-02T14:05', 'world' => ['group:front' => 'closedByHand']],
        ];
        yield 'one device' => ['main leg ines/desk unreachable', $main + ['at' => '2026-12-02T14:05', 'world' => [
            'leg:ines/desk' => 'unreachable',
        ]]];
        yield 'begun with what it is' => ['call 201 sat 10:00', ['to' => '201', 'at' => '2026-12-05T10:00']];
        yield 'nobody called, only a day' => ['monday 9', $main + ['at' => '2026-12-07T09:00']];
        yield 'nobody called, only a date' => ['31.12. 10:00', $main + ['at' => '2026-12-31T10:00']];
        yield 'nobody called, only a state' => [
            'busy',
            $main + [
                'at' => '2026-12-02T14:05',
                'world' => ['user:ines' => 'busy', 'user:joss' => 'busy', 'user:colm' => 'busy'],
            ],
        ];
        yield 'a bare hour behind a day' => ['main monday 9', $main + ['at' => '2026-12-07T09:00']];
        yield 'a bare hour of the afternoon, then keys' => [
            'main mon 3 press 1',
            $main + ['at' => '2026-12-07T15:00', 'keys' => [['key' => '1']]],
        ];
        yield 'a bare hour behind a date' => ['main 24 dec at 11', $main + ['at' => '2026-12-24T11:00']];
        yield 'a date with dots' => ['main 31.12. 10:00', $main + ['at' => '2026-12-31T10:00']];
        yield 'a date with dots and a year' => ['main 1.3.2027 noon', $main + ['at' => '2027-03-01T12:00']];
        yield 'an extension behind a day' => [
            'main mon 201 busy',
            $main + ['at' => '2026-12-07T14:05', 'world' => ['user:ines' => 'busy']],
        ];
        yield 'a state behind a number is everybody\'s' => ['main busy', $main + [
            'at' => '2026-12-02T14:05',
            'world' => ['user:ines' => 'busy', 'user:joss' => 'busy', 'user:colm' => 'busy'],
        ]];
        yield 'everybody' => ['main everybody is away', $main + [
            'at' => '2026-12-02T14:05',
            'world' => ['user:ines' => 'unreachable', 'user:joss' => 'unreachable', 'user:colm' => 'unreachable'],
        ]];
    }

    /** @param array<string, mixed> $script */
    #[DataProvider('sentences')]
    public function test_reads(string $sentence, array $script): void
    {
        self::assertEquals($script, CallSentence::read($sentence, self::book(), self::NOW));
    }

    /** @param array<string, mixed> $script */
    #[DataProvider('sentences')]
    public function test_what_is_written_is_read_as_the_same(string $sentence, array $script): void
    {
        $written = CallSentence::write($script, self::book());

        self::assertNotNull($written);
        self::assertEquals($script, CallSentence::read($written, self::book(), self::NOW), "{$sentence}: {$written}");
    }

    /** @return iterable<string, array{string, string, int}> */
    public static function faults(): iterable
    {
        yield 'nothing' => ['', 'begin with the number or extension', 0];
        yield 'somebody else\'s number' => ['902 555 0123 sat', '"902" begins no number', 0];
        yield 'a word nobody knows' => ['main sat 10:00 pres 1', '"pres" is not understood', 15];
        yield 'a name alone' => ['main joss', 'what of 202? Say answers, busy', 9];
        yield 'press and nothing' => ['main press', 'after "press" come keys', 10];
        yield 'a day that is none' => ['main 31 nov', 'there is no 31 nov', 5];
        yield 'the same with dots' => ['main 31.11.', 'there is no 31.11.', 5];
        yield 'from nobody' => ['main from sat', 'after "from" comes', 10];
        yield 'two of a name' => ['main reeve busy', '"reeve" may be', 5];
    }

    #[DataProvider('faults')]
    public function test_says_what_it_does_not_understand_and_where(string $sentence, string $detail, int $at): void
    {
        try {
            CallSentence::read($sentence, self::book(twoReeves: true), self::NOW);
            self::fail('it was read');
        } catch (UnreadableCall $fault) {
            self::assertStringContainsString($detail, $fault->getMessage());
            self::assertSame($at, $fault->at);
        }
    }

    /** Any call of any book that a sentence can say is the same call when the sentence is read. */
    public function test_round_trip_of_random_calls(): void
    {
        $said = 0;
        foreach (array_values(array_unique(array_column(iterator_to_array(CaseFiles::all()), 0))) as $place => $json) {
            $book = BookFormat::fromJson($json);
            $scripts = new RandomScripts(7_000 + $place);
            for ($i = 0; $i < 12; $i++) {
                $script = array_diff_key($scripts->of($book), ['order' => true]);
                $written = CallSentence::write($script, $book);
                self::assertNotNull($written);
                self::assertEquals(
                    Script::read($script, $book),
                    Script::read(CallSentence::read($written, $book, self::NOW), $book),
                    $written,
                );
                $said++;
            }
        }
        self::assertGreaterThan(300, $said);
    }

    public function test_completes(): void
    {
        $offers = static fn (string $typed): array => array_column(CallCompletion::of($typed, self::book()), 'text');

        self::assertContains('+1 902 555 0110', $offers(''));
        self::assertSame(['201'], $offers('mar'), 'by name as well');
        self::assertContains('main from 201', $offers('main from '));
        self::assertSame(['main from withheld'], $offers('main from wi'));
        self::assertSame(['main 202 busy'], $offers('main 202 bu'));
        self::assertContains('main site quay-end', $offers('main site q'));
        self::assertContains('main press', $offers('main pr'));
    }

    private static function book(bool $twoReeves = false): Book
    {
        $user = static fn (string $key, string $extension, string $first, string $last): array => [
            'key' => $key, 'extension' => $extension, 'name' => ['first' => $first, 'last' => $last],
            'legs' => [['item' => 'desk']],
        ];

        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION,
            'tenant' => [
                'key' => 'thornback', 'region' => 'CA', 'zone' => 'America/Halifax',
                'mainNumber' => 'number:+19025550110',
            ],
            'sites' => [['key' => 'quay-end', 'name' => 'Quay End']],
            'numbers' => [['key' => '+19025550110', 'label' => 'Main number', 'destination' => 'group:front']],
            'users' => [
                $user('ines', '201', 'Ines', 'Marsh'), $user('joss', '202', 'Joss', 'Arden'),
                $user('colm', '203', 'Colm', 'Reeve'), ...($twoReeves ? [$user('dara', '204', 'Dara', 'Reeve')] : []),
            ],
            'groups' => [[
                'key' => 'front', 'name' => 'Front Desk', 'members' => [['item' => 'ines', 'who' => 'user:ines']],
                'otherwise' => ['noAnswer' => 'release'],
            ]],
        ]);
    }
}
