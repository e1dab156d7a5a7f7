<?php

declare(strict_types=1);

namespace Tests\Outside;

use Jaunty\Core\Book\RecurrenceRule;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\Recurrence;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Recurrences of dates. Source: examples of RFC 5545 section 3.8.5.3 as recalled and others, each expanded by four
 * programs; expected is what most of them give (tests/data/rrule_expansions.json).
 */
final class RecurrenceTest extends TestCase
{
    private const PARTS_OF_A_DAY = '/FREQ=(HOURLY|MINUTELY|SECONDLY)|BY(HOUR|MINUTE|SECOND)=/';

    /** @param array{dtstart: string, rrule: string, expected: list<string>} $rule */
    #[DataProvider('rules')]
    public function test_a_rule_gives_the_dates_most_programs_give(array $rule): void
    {
        if (preg_match(self::PARTS_OF_A_DAY, $rule['rrule']) === 1) {
            $this->expectException(UnusableBook::class);
            RecurrenceRule::parse($rule['rrule'], 'rrule');

            return;
        }
        $expected = array_values(
            array_unique(array_map(static fn (string $instant): string => substr($instant, 0, 10), $rule['expected'])),
        );
        $start = LocalDate::parse(
            substr($rule['dtstart'], 0, 4)
                . '-'
                . substr($rule['dtstart'], 4, 2)
                . '-'
                . substr($rule['dtstart'], 6, 2),
        );
        $last = $expected === [] ? $start + 3660 : LocalDate::parse($expected[count($expected) - 1]);

        $dates = array_map(
            LocalDate::text(...),
            Recurrence::of(RecurrenceRule::parse($rule['rrule'], 'rrule'), $start)->upTo($last),
        );

        self::assertSame($expected, $dates);
    }

    /** @return iterable<string, array{array{dtstart: string, rrule: string, expected: list<string>}}> */
    public static function rules(): iterable
    {
        $data = json_decode((string) file_get_contents(__DIR__ . '/../data/rrule_expansions.json'), true);
        self::assertIsArray($data);
        foreach ($data['rules'] as $rule) {
            yield "{$rule['id']}: {$rule['rrule']}" => [$rule];
        }
    }
}
