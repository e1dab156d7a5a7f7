<?php

declare(strict_types=1);

namespace Tests\Core\Numbering;

use Jaunty\Core\Numbering\TypedNumber;
use Jaunty\Core\Numbering\UnusableNumber;
use libphonenumber\PhoneNumberFormat;
use libphonenumber\PhoneNumberType;
use libphonenumber\PhoneNumberUtil;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Outside\RefData;

final class TypedNumberTest extends TestCase
{
    #[DataProvider('typed')]
    public function test_what_people_type_is_the_number_they_mean(?string $region, string $typed, string $number): void
    {
        self::assertSame(
            $number,
            (string) TypedNumber::in($region, $region === 'CA' ? '+19025550110' : (
                $region === 'GB' ? '+442079460002' : null
            ))->read($typed),
        );
    }

    /** @return iterable<string, array{?string, string, string}> */
    public static function typed(): iterable
    {
        yield 'as everybody here writes it' => ['CA', '902 555 0177', '+19025550177'];
        yield 'in brackets' => ['US', '(207) 555-0170', '+12075550170'];
        yield 'with a 1 before' => ['US', '1 207 555 0170', '+12075550170'];
        yield 'with dots, and spaces that do not break' => ['CA', "902.555\u{00A0}0177", '+19025550177'];
        yield 'out of an address book, between marks of the writing direction' => [
            'CA',
            "\u{202A}902-555-0177\u{202C}",
            '+19025550177',
        ];
        yield 'as a link has it' => ['CA', 'tel:+1-902-555-0177', '+19025550177'];
        yield 'with dashes out of a letter' => ['CA', '902–555–0177', '+19025550177'];
        yield 'seven digits, of the area of the main number' => ['CA', '555-0177', '+19025550177'];
        yield 'of another country, as dialled from here' => ['CA', '011 44 20 7946 0001', '+442079460001'];
        yield 'of another country, as written elsewhere' => ['CA', '00 44 20 7946 0001', '+442079460001'];
        yield 'home from a list written abroad' => ['GB', '001 902 555 0177', '+19025550177'];
        yield 'the American way, in Britain' => ['GB', '011 1 902 555 0177', '+19025550177'];
        yield 'in Britain' => ['GB', '020 7946 0001', '+442079460001'];
        yield 'with the nought in brackets' => ['GB', '+44 (0)20 7946 0001', '+442079460001'];
        yield 'a plus says the country' => [null, '+49 30 23125 000', '+493023125000'];
        yield 'as do two noughts' => [null, '0049 30 23125000', '+493023125000'];
    }

    #[DataProvider('refused')]
    public function test_what_is_no_number_is_refused_as_it_was_typed(?string $region, string $typed, string $why): void
    {
        try {
            $read = TypedNumber::in($region, '+442079460002')->read($typed);
            self::fail("was read as {$read}");
        } catch (UnusableNumber $fault) {
            self::assertSame("\"{$typed}\" {$why}", $fault->getMessage());
        }
    }

    /** @return iterable<string, array{?string, string, string}> */
    public static function refused(): iterable
    {
        $unreadable = 'cannot be read as a telephone number; write it with its country code, such as +1 902 555 0110';
        yield 'no number at all' => ['CA', 'xx', $unreadable];
        yield 'nothing' => ['CA', '', $unreadable];
        yield 'a name in front' => ['CA', 'cell 902 555 0177', $unreadable];
        yield 'two at once' => ['CA', '902 555 0177, 902 555 0178', $unreadable];
        yield 'too few digits' => ['CA', '902 555', 'has too few or too many digits for a telephone number'];
        yield 'too many' => ['CA', '902 555 01771', 'has too few or too many digits for a telephone number'];
        yield 'seven digits, where no area is known' => [
            'CA',
            '555 0177',
            'has too few or too many digits for a telephone number',
        ];
        yield 'an area that is none' => [
            'US',
            '123 456 7890',
            'is of a range that is given to nobody; look for a wrong digit',
        ];
        yield 'a plus before a number of here' => [
            'CA',
            '+902 555 0177',
            'has too few or too many digits for a telephone number',
        ];
        yield 'another country by accident' => [
            'US',
            '+20 75550170',
            'is of a range that is given to nobody; look for a wrong digit',
        ];
        yield 'no country to read it by' => [
            null,
            '902 555 0177',
            'is of no country while the customer has none; write it with its country code, such as +1 902 555 0110',
        ];
    }

    /**
     * Written as people of the country write it and read again, it is the same number: for every region of the
     * reference list.
     */
    public function test_written_nationally_and_read_again_is_the_same_number(): void
    {
        $util = PhoneNumberUtil::getInstance();
        $numbers = array_column(
            array_filter(
                iterator_to_array(RefData::csv('phone_numbers.csv')),
                static fn (array $row): bool => $row['valid'] === '1' && $row['ext'] === '',
            ),
            'e164',
        );
        foreach ($util->getSupportedRegions() as $region) {
            foreach ([PhoneNumberType::FIXED_LINE, PhoneNumberType::MOBILE, PhoneNumberType::TOLL_FREE] as $type) {
                $example = $util->getExampleNumberForType($region, $type);
                $numbers[] = $example === null ? '+12015550123' : $util->format($example, PhoneNumberFormat::E164);
            }
        }
        $tried = [];
        foreach (array_unique($numbers) as $number) {
            $parsed = $util->parse($number);
            $region = $util->getRegionCodeForNumber($parsed);
            if ($region === null || $region === PhoneNumberUtil::REGION_CODE_FOR_NON_GEO_ENTITY) {
                continue;
            }
            $tried[$region] = true;
            $abroad = $region === 'GB' ? 'FR' : 'GB';
            foreach ([
                [$region, $util->format($parsed, PhoneNumberFormat::NATIONAL)],
                [$region, $util->format($parsed, PhoneNumberFormat::INTERNATIONAL)],
                [$abroad, $util->formatOutOfCountryCallingNumber($parsed, $abroad)],
                [$abroad, '00' . substr($number, 1)],
                ['CA', '011 ' . substr($number, 1)],
                [null, $number],
            ] as [$from, $typed]) {
                self::assertSame($number, $this->readIn($from, $typed), "{$from}: {$typed}");
            }
        }
        self::assertGreaterThan(200, count($tried));
    }

    private function readIn(?string $region, string $typed): string
    {
        try {
            return (string) TypedNumber::in($region)->read($typed);
        } catch (UnusableNumber $fault) {
            return $fault->getMessage();
        }
    }
}
