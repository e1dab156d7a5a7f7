<?php

declare(strict_types=1);

namespace Tests\Outside;

use Jaunty\Core\Numbering\EmergencyNumbers;
use PHPUnit\Framework\TestCase;

/**
 * Numbers that call for help, against the list another implementation of the same metadata gives (source in the file's
 * first line).
 */
final class EmergencyNumbersTest extends TestCase
{
    /** Where the demo's and the templates' customers are. */
    private const HERE = ['CA', 'US', 'GB', 'IE', 'NZ', 'DE'];

    public function test_every_listed_number_is_found_and_begins_what_it_begins(): void
    {
        $checked = 0;
        foreach (self::listed() as $country => $numbers) {
            foreach ($numbers as $number) {
                self::assertTrue(EmergencyNumbers::is($number, $country), "{$number} in {$country}");
                self::assertNotNull(EmergencyNumbers::beginning("{$number}0", $country), "{$number}0 in {$country}");
                $checked++;
            }
        }
        self::assertGreaterThan(200, $checked);
    }

    /** Elsewhere the newer metadata here knows more numbers. */
    public function test_the_numbers_of_a_country_are_those_listed_and_where_customers_are_no_others(): void
    {
        foreach (self::listed() as $country => $numbers) {
            self::assertSame([], array_diff($numbers, EmergencyNumbers::of($country)), $country);
        }
        foreach (array_intersect_key(self::listed(), array_flip(self::HERE)) as $country => $numbers) {
            self::assertEqualsCanonicalizing($numbers, EmergencyNumbers::of($country), $country);
        }
    }

    public function test_extensions_as_people_give_them_begin_none_where_customers_are(): void
    {
        foreach (array_intersect_key(self::listed(), array_flip(self::HERE)) as $country => $numbers) {
            for ($extension = 200; $extension < 900; $extension++) {
                $begun = array_filter(
                    $numbers,
                    static fn (string $number): bool => str_starts_with((string) $extension, $number),
                );
                self::assertSame(
                    $begun === [],
                    EmergencyNumbers::beginning((string) $extension, $country) === null,
                    "{$extension} in {$country}",
                );
            }
        }
        self::assertNull(EmergencyNumbers::beginning('9990', null));
    }

    /** @return array<string, list<string>> by country */
    private static function listed(): array
    {
        $listed = [];
        foreach ((array) file(dirname(__DIR__) . '/data/emergency_numbers.csv', FILE_IGNORE_NEW_LINES) as $line) {
            if (preg_match('/^([A-Z]{2}),([0-9 ]+)$/', (string) $line, $found) === 1) {
                $listed[$found[1]] = explode(' ', $found[2]);
            }
        }

        return $listed;
    }
}
