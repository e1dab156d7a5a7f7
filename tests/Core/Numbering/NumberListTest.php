<?php

declare(strict_types=1);

namespace Tests\Core\Numbering;

use Jaunty\Core\Numbering\NumberLine;
use Jaunty\Core\Numbering\NumberList;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class NumberListTest extends TestCase
{
    /** @param list<string> $numbers first, last and how many */
    #[DataProvider('lines')]
    public function test_a_line_is_read_as_it_was_meant(string $typed, string $country, array $numbers): void
    {
        $line = NumberList::read($typed, $country)->lines[0];

        self::assertNull($line->fault, (string) $line->fault);
        self::assertSame($numbers, [
            (string) $line->numbers[0], (string) $line->numbers[count($line->numbers) - 1],
            (string) count($line->numbers),
        ]);
    }

    /** @return iterable<string, array{string, string, list<string>}> */
    public static function lines(): iterable
    {
        $one = ['+19025550100', '+19025550100', '1'];
        $fifty = ['+19025550100', '+19025550149', '50'];
        yield 'national' => ['902 555 0100', 'CA', $one];
        yield 'with hyphens' => ['902-555-0100', 'CA', $one];
        yield 'with a plus, whatever the country' => ['+1 902 555 0100', 'GB', $one];
        yield 'a range by its last digits' => ['902 555 0100 to 0149', 'CA', $fifty];
        yield 'a range by its last two digits' => ['902 555 0100 to 49', 'CA', $fifty];
        yield 'a range of whole numbers' => ['902-555-0100 - 902-555-0149', 'CA', $fifty];
        yield 'a range with a dash and no space' => ['902 555 0100–0149', 'CA', $fifty];
        yield 'a range in E.164' => ['+19025550100..+19025550149', 'CA', $fifty];
        yield 'a range of one' => ['902 555 0100 to 0100', 'CA', $one];
        yield 'British' => ['020 7946 0000 to 0011', 'GB', ['+442079460000', '+442079460011', '12']];
    }

    #[DataProvider('spoiled')]
    public function test_what_cannot_be_meant_is_refused_in_words(string $typed, string $why): void
    {
        $line = NumberList::read($typed, 'CA')->lines[0];

        self::assertSame([], $line->numbers);
        self::assertStringContainsString($why, (string) $line->fault);
    }

    /** @return iterable<string, array{string, string}> */
    public static function spoiled(): iterable
    {
        yield 'no number' => ['xx', 'xx'];
        yield 'too few digits' => ['902 555 01', '902 555 01'];
        yield 'backwards' => ['902 555 0149 to 0100', 'ends before it begins'];
        yield 'nine thousand' => ['902 555 0100 to 9100', '9,001 numbers'];
        yield 'three ends' => ['902 555 0100 to 0110 to 0120', 'two ends'];
        yield 'two countries' => ['+1 902 555 0100 to +44 20 7946 0000', 'ends before it begins'];
        yield 'a spreadsheet that made a sum of it' => ['9.02556E+09', '9.02556E+09'];
    }

    public function test_lists_come_with_anything_between_and_a_number_counts_once(): void
    {
        $list = NumberList::read("902 555 0100\r\n\r\n902 555 0101; 902 555 0102,\t902 555 0100 to 0103\nxx", 'CA');

        self::assertSame(
            ['+19025550100', '+19025550101', '+19025550102'],
            array_map(strval(...), $list->numbers()),
        );
        self::assertSame(
            [null, null, null, '+1 902 555 0100 is in this list already'],
            array_map(
                static fn (NumberLine $line): ?string => $line->fault,
                array_slice($list->lines, 0, 4),
            ),
        );
        self::assertNotNull($list->lines[4]->fault);
    }
}
