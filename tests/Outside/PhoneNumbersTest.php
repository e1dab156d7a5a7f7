<?php

declare(strict_types=1);

namespace Tests\Outside;

use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Numbering\UnusableNumber;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Numbers as people write them, against another implementation.
 *
 * Source: google-libphonenumber 3.2.47 (npm), independent of the PHP library used here; tests/data/phone_numbers.csv.
 */
final class PhoneNumbersTest extends TestCase
{
    /** @param array<string, string> $row */
    #[DataProvider('rows')]
    public function test_a_number_is_read_as_the_other_implementation_reads_it(array $row): void
    {
        try {
            $number = E164::parse($row['input'], $row['region'] === '' ? null : $row['region']);
        } catch (UnusableNumber) {
            self::assertNotSame('IS_POSSIBLE', $row['possible'], "{$row['input']} ({$row['why']})");

            return;
        }
        self::assertSame('IS_POSSIBLE', $row['possible'], "{$row['input']} was taken for {$number}");
        self::assertSame($row['e164'], (string) $number);
        self::assertSame($row['valid'] === '1', $number->isValid(), "{$row['input']} ({$row['why']})");
    }

    /** @return iterable<string, array{array<string, string>}> */
    public static function rows(): iterable
    {
        foreach (RefData::csv('phone_numbers.csv') as $line => $row) {
            yield "{$line}: {$row['input']} in {$row['region']}" => [$row];
        }
    }

    public function test_numbers_set_aside_for_fiction_can_be_kept_in_a_book(): void
    {
        foreach (RefData::csv('fictional_numbers.csv') as $row) {
            foreach ([$row['first'], $row['last']] as $digits) {
                self::assertSame("+{$digits}", (string) E164::parse("+{$digits}"), $row['kind']);
                self::assertSame("+{$digits}", (string) E164::given("+{$digits}", orFictional: true), $row['kind']);
                try {
                    E164::given("+{$digits}");
                    self::fail("{$digits} is taken for somebody's");
                } catch (UnusableNumber $fault) {
                    self::assertStringContainsString('given to nobody', $fault->getMessage());
                }
            }
        }
    }
}
