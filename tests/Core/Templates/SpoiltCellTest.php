<?php

declare(strict_types=1);

namespace Tests\Core\Templates;

use Jaunty\Core\Templates\NewPeople;
use Jaunty\Core\Templates\SpoiltCell;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Tests\Core\Audit\Samples;

final class SpoiltCellTest extends TestCase
{
    #[TestWith(['201.0', '201'])]
    #[TestWith(['19025550123,00', '19025550123'])]
    #[TestWith(['="0201"', '0201'])]
    #[TestWith(["'+19025550123", '+19025550123'])]
    #[TestWith(['902.555.0123', '902.555.0123'])]
    #[TestWith(['0201', '0201'])]
    #[TestWith(["O'Brien", "O'Brien"])]
    public function test_what_is_beyond_doubt_is_as_it_was(string $typed, string $was): void
    {
        self::assertSame($was, SpoiltCell::mended($typed));
        self::assertNull(SpoiltCell::why($was));
    }

    public function test_a_list_says_in_its_cell_what_a_spreadsheet_spoilt_and_reads_the_rest(): void
    {
        $book = Samples::book([]);
        $people = NewPeople::read($book, [
            ['name' => 'Ann Lee', 'extension' => '2.01E+02', 'mobile' => '1.90256E+10'],
            ['name' => 'Bob Day', 'extension' => '#N/A', 'mobile' => '####'],
            ['name' => 'Cy Fox', 'extension' => '204.0', 'mobile' => '19025550124.0'],
        ], 20_788);

        self::assertSame(
            ['people/0/extension', 'people/0/mobile', 'people/1/extension', 'people/1/mobile'],
            array_keys($people->faults),
        );
        self::assertStringContainsString('left of a longer number', $people->faults['people/0/mobile']);
        self::assertStringContainsString('came to nothing', $people->faults['people/1/extension']);
        self::assertSame(
            ['204', '+19025550124'],
            [$people->understood[2]['extension'], $people->understood[2]['mobile']],
        );
    }
}
