<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\AllCalls\Graph;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Calls\TwoBooks\Difference;
use Jaunty\Core\Calls\Year\OutcomeMap;
use Jaunty\Core\Numbering\DigitAutomaton;
use Jaunty\Core\Numbering\DigitMap;
use Jaunty\Core\Numbering\TooIntricate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Audit\Samples;

/** Analysis ends by what it has done, not by the machine; what was not looked at is said to be unknown. */
final class BoundsTest extends TestCase
{
    /** Bytes beyond what the test had before; a worker that serves may have 128 MB. */
    private const ROOM = 110_000_000;

    /**
     * Twelve menus with a key to every other one: where nothing goes back, the way there is no part of where a call is.
     */
    public function test_menus_that_lead_to_each_other_are_as_many_places_as_there_are_menus(): void
    {
        foreach ([4, 8, 12] as $menus) {
            $graph = new Graph(self::menus($menus, 'group:desk'), 0);
            $explored = Explorer::explore($graph, $graph->numbers());

            self::assertTrue($explored->isComplete);
            self::assertLessThan(12 * $menus + 20, count($explored->edges), "{$menus} menus");
        }
    }

    /** The ends are those of an explorer that tells every way apart, wherever both can follow the whole. */
    public function test_what_is_told_of_them_is_what_calls_do(): void
    {
        foreach (['group:desk', 'back', 'release'] as $zero) {
            $book = self::menus(4, $zero);
            $ends = OutcomeMap::of($book, Samples::NOW)->facts[0]['+15065550100']->ends;
            foreach (['1', '2', '3', '0', '10', '120', '1230', '12300', '9', '99', '999', '1029'] as $keys) {
                $trace = Trace::of($book, Script::read(
                    ['to' => '+15065550100', 'at' => '2026-12-02T12:00:00Z', 'keys' => array_map(
                        static fn (string $key): array => ['key' => $key],
                        str_split($keys),
                    )],
                    $book,
                ));
                self::assertContains("{$trace->outcome->value} {$trace->target}", $ends, "{$zero} {$keys}");
            }
        }
    }

    public function test_menus_that_lead_to_each_other_and_back_are_followed_so_far_and_no_further(): void
    {
        $book = self::menus(12, 'back');
        $other = self::menus(12, 'group:desk');
        memory_reset_peak_usage();
        $before = memory_get_usage();

        $map = OutcomeMap::of($book, Samples::NOW);
        $findings = Auditor::of($book, Samples::NOW);
        $difference = Difference::between($book, $other, Samples::NOW);

        self::assertFalse($map->isComplete);
        self::assertSame(
            'messageIn mailbox:desk',
            $map->facts[0]['+15065550100']->passive?->value . " {$map->facts[0]['+15065550100']->passiveTarget}",
            'what becomes of whoever does nothing is known all the same',
        );
        self::assertContains(
            'flow.not-followed',
            array_map(static fn ($finding): string => $finding->about->id, $findings),
        );
        self::assertFalse($difference->isComplete && $difference->isEmpty());
        self::assertLessThan(self::ROOM, memory_get_peak_usage() - $before);
    }

    #[DataProvider('intricate')]
    public function test_a_digit_map_that_doubles_with_each_digit_is_said_to_be_unknown(string $digits): void
    {
        memory_reset_peak_usage();
        $before = memory_get_usage();
        $book = BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => 1,
            'tenant' => ['key' => 'dial', 'zone' => 'America/Halifax', 'region' => 'CA'],
            'users' => [[
                'key' => 'ana', 'extension' => '201', 'callingClass' => 'international', 'legs' => [['item' => 'desk']],
            ]],
            'trunks' => [['key' => 'main']],
            'routes' => [['key' => 'all', 'digits' => $digits, 'class' => 'local', 'trunks' => ['trunk:main']], [
                'key' => 'more', 'position' => 2, 'digits' => '1xxxxxxxxxx', 'class' => 'local',
                'trunks' => ['trunk:main'],
            ]],
        ]);

        $ids = array_map(static fn ($finding): string => $finding->about->id, Auditor::of($book, Samples::NOW));

        self::assertContains('outbound.digits-intricate', $ids);
        self::assertContains('audit.could-not-look', $ids);
        self::assertLessThan(self::ROOM, memory_get_peak_usage() - $before);
        try {
            DigitAutomaton::of(DigitMap::parse($digits, 'digits'));
            self::fail('it can be looked through after all');
        } catch (TooIntricate $unknown) {
            self::assertStringContainsString('too intricate', $unknown->getMessage());
        }
        // Any number of digits fit the first of each map's `x.`, so ones alone fit them all.
        self::assertTrue(
            DigitMap::parse($digits, 'digits')->matches(str_repeat('1', 2 * strlen($digits)))
                || DigitMap::parse($digits, 'digits')->matches('5551' . str_repeat('5', 28)),
            'a single number is looked at all the same',
        );
    }

    /** @return iterable<string, array{string}> */
    public static function intricate(): iterable
    {
        yield 'one' => ['x.1' . str_repeat('x', 28)];
        yield 'a dozen' => [implode(
            '|',
            array_map(static fn (int $digit): string => 'x.' . ($digit % 9 + 1) . str_repeat('x', 28), range(0, 11)),
        )];
        yield 'a long one' => [str_repeat('x.1x', 200)];
    }

    /** A route table of a whole country is nowhere near the bound. */
    public function test_maps_that_people_write_are_looked_through(): void
    {
        foreach (
            [
                '911|933', '1[2-9]xx[2-9]xxxxxx', '011[1-9]x.T', '[2-9]xxxxxx|1[2-9]xxxxxxxxx|011x.T',
                str_repeat('x', 1_000),
                implode('|', array_map(static fn (int $area): string => "1{$area}xxxxxxx", range(200, 350))),
            ] as $map
        ) {
            self::assertNotNull(DigitAutomaton::of(DigitMap::parse($map, 'digits'))->shortest(), $map);
        }
    }

    private static function menus(int $count, string $zero): Book
    {
        $names = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '*', '#'];
        $menus = [];
        for ($own = 0; $own < $count; $own++) {
            $others = array_values(array_diff(range(0, $count - 1), [$own]));
            $keys = [];
            foreach ($others as $place => $other) {
                $keys[$names[$place]] = ['to' => "menu:m{$other}"];
            }
            $menus[] = ['key' => "m{$own}", 'silence' => 'mailbox:desk', 'keys' => $keys + ['0' => ['to' => $zero]]];
        }

        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => 1, 'tenant' => ['key' => 'dense', 'zone' => 'America/Halifax'],
            'numbers' => [['key' => '+15065550100', 'destination' => 'menu:m0']], 'menus' => $menus,
            'mailboxes' => [['key' => 'desk']],
            'users' => [['key' => 'ana', 'legs' => [['item' => 'desk']]]],
            'groups' => [
                ['key' => 'desk', 'members' => [['item' => 'a', 'who' => 'user:ana']], 'mailbox' => 'mailbox:desk'],
            ],
        ]);
    }
}
