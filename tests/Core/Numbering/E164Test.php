<?php

declare(strict_types=1);

namespace Tests\Core\Numbering;

use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Numbering\UnusableNumber;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class E164Test extends TestCase
{
    #[DataProvider('typed')]
    public function test_a_number_is_read_as_people_type_it(
        string $typed,
        ?string $region,
        string $number,
        string $display,
    ): void {
        self::assertSame(
            [$number, $display],
            [(string) E164::parse($typed, $region), E164::parse($typed, $region)->display()],
        );
    }

    /** @return iterable<array{string, ?string, string, string}> */
    public static function typed(): iterable
    {
        yield ['(902) 555-0150', 'CA', '+19025550150', '+1 902 555 0150'];
        yield ['902.555.0150', 'US', '+19025550150', '+1 902 555 0150'];
        yield ['+1 902 555 0150', null, '+19025550150', '+1 902 555 0150'];
        yield ['020 7946 0002', 'GB', '+442079460002', '+44 20 7946 0002'];
        yield ['011 44 20 7946 0002', 'US', '+442079460002', '+44 20 7946 0002'];
        yield ["\u{ff19}\u{ff10}\u{ff12} 555 0150", 'CA', '+19025550150', '+1 902 555 0150'];
    }

    #[DataProvider('noNumbers')]
    public function test_what_cannot_be_a_public_number_is_refused(string $typed, ?string $region): void
    {
        $this->expectException(UnusableNumber::class);

        E164::parse($typed, $region);
    }

    /** @return iterable<array{string, ?string}> */
    public static function noNumbers(): iterable
    {
        yield 'nothing' => ['', 'CA'];
        yield 'words' => ['front desk', 'CA'];
        yield 'a national form without a country' => ['902 555 0150', null];
        yield 'dialled within its area only' => ['555 0150', 'CA'];
        yield 'too long' => ['+1 902 555 0150 99', null];
        yield 'a country that is none' => ['+999 123456', null];
        yield 'a text as long as a book' => [str_repeat('9', 10_000), 'CA'];
    }

    public function test_it_knows_its_region(): void
    {
        self::assertSame('CA', E164::parse('+19025550150')->region());
        self::assertSame('GB', E164::parse('+442079460002')->region());
    }
}
