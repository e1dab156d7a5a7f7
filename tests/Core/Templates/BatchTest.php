<?php

declare(strict_types=1);

namespace Tests\Core\Templates;

use Jaunty\Core\Templates\Batch;
use Jaunty\Core\Templates\UnusableBatch;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class BatchTest extends TestCase
{
    /** last = first + (quantity - 1) x step */
    public function test_the_last_is_told_before_any_is_made(): void
    {
        $batch = Batch::read(' 200 ', '50', '1', 'Room');
        self::assertSame(['249', 50], [$batch->last, count($batch->rows)]);
        self::assertSame(['name' => 'Room 200', 'extension' => '200'], $batch->rows[0]);
        self::assertSame('Room 249', $batch->rows[49]['name']);

        self::assertSame('1045', Batch::read('1000', '10', '5', '')->last);
    }

    public function test_a_leading_zero_is_part_of_an_extension_and_the_number_may_stand_in_the_name(): void
    {
        $batch = Batch::read('098', '2', '1', 'Room #, north');

        self::assertSame('099', $batch->last);
        self::assertSame(['Room 098, north', 'Room 099, north'], array_column($batch->rows, 'name'));
    }

    #[DataProvider('spoilt')]
    public function test_what_cannot_be_read_is_refused_at_its_field(string $field, string ...$given): void
    {
        try {
            Batch::read(...array_values($given));
            self::fail('it was read');
        } catch (UnusableBatch $fault) {
            self::assertSame($field, $fault->field, $fault->getMessage());
        }
    }

    /** @return iterable<string, list<string>> */
    public static function spoilt(): iterable
    {
        yield 'a name as the first' => ['first', 'xx', '5', '1', 'Room'];
        yield 'nothing as the first' => ['first', '', '5', '1', 'Room'];
        yield 'none of them' => ['count', '200', '0', '1', 'Room'];
        yield 'a fraction' => ['count', '200', '2.5', '1', 'Room'];
        yield 'too many' => ['count', '2000', '1001', '1', 'Room'];
        yield 'backwards' => ['step', '200', '5', '-1', 'Room'];
        yield 'no step' => ['step', '200', '5', '', 'Room'];
        yield 'out of its length' => ['count', '990', '20', '1', 'Room'];
    }
}
