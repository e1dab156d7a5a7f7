<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Numbering\EmergencyNumbers;
use libphonenumber\PhoneNumber;
use libphonenumber\PhoneNumberType;
use libphonenumber\PhoneNumberUtil;
use libphonenumber\ValidationResult;

/**
 * The digit maps of a country in plain words: lengths and prefixes as libphonenumber's metadata has them, so that a
 * route is built by ticking what it is for. Where one number can be the beginning of another, the shorter waits for the
 * timer.
 */
final readonly class DigitChoices
{
    /** Countries under +1 (North American Numbering Plan): areas and exchanges begin with 2 to 9. */
    private const NANP = 1;

    /** Toll-free areas of that plan, as of 2026 (from memory). */
    private const NANP_TOLL_FREE = ['800', '833', '844', '855', '866', '877', '888'];

    /** A country whose numbers have more lengths than this is told by its shortest, and the timer. */
    private const MOST_LENGTHS = 2;

    private const SHORTEST = 4;

    /** ITU-T E.164 allows fifteen digits with the country code. */
    private const LONGEST = 14;

    /**
     * @param  string  $country  ISO 3166-1 code
     * @param  string  $prefix  dialled before every number outside; empty for none
     * @return list<DigitChoice>
     */
    public static function of(string $country, string $prefix = ''): array
    {
        $util = PhoneNumberUtil::getInstance();
        $code = $util->getCountryCodeForRegion($country);
        if ($code === 0) {
            return [];
        }
        $first = $util->getNddPrefixForRegion($country, true) ?? '';
        $lengths = self::lengths($code);
        $choice = static fn (
            string $key,
            string $said,
            CallingClass $class,
            string ...$maps,
        ): DigitChoice => new DigitChoice(
            $key,
            $said,
            implode('|', array_map(static fn (string $map): string => $prefix . $map, $maps)),
            $class,
            strlen($prefix),
        );
        $choices = $code === self::NANP ? [
            $choice('local', 'local, 7 digits', CallingClass::Local, '[2-9]xxxxxx'),
            $choice('national', 'national, 10 digits', CallingClass::National, '[2-9]xxxxxxxxx'),
            $choice('national-1', 'national, 11 digits, 1 first', CallingClass::National, '1[2-9]xxxxxxxxx'),
            $choice('toll-free', 'toll-free, 1 first', CallingClass::Local, ...array_map(
                static fn (string $area): string => "1{$area}xxxxxxx",
                self::NANP_TOLL_FREE,
            )),
            $choice('premium', 'premium, 1 900', CallingClass::International, '1900xxxxxxx'),
        ] : [$choice('national', self::said($first, $lengths), CallingClass::National, ...self::national(
            $first,
            $lengths,
        ))];
        $abroad = self::international($country);
        if ($abroad !== null) {
            $choices[] = $choice(
                'international',
                "international, {$abroad} first",
                CallingClass::International,
                "{$abroad}[1-9]x.T",
            );
        }
        $help = EmergencyNumbers::of($country);

        return $help === []
            ? $choices
            : [...$choices, new DigitChoice(
                'emergency',
                'emergency: ' . implode(', ', $help),
                implode('|', $help),
                CallingClass::Internal,
                0,
            )];
    }

    /**
     * @param  non-empty-list<int>  $lengths
     * @return list<string>
     */
    private static function national(string $first, array $lengths): array
    {
        if (count($lengths) > self::MOST_LENGTHS) {
            return [$first . '[1-9]' . str_repeat('x', $lengths[0] - 1) . 'x.T'];
        }
        $longest = $lengths[count($lengths) - 1];

        return array_map(
            static fn (int $length): string => $first
                . '[1-9]'
                . str_repeat('x', $length - 1)
                . ($length < $longest ? 'T' : ''),
            $lengths,
        );
    }

    /** @param non-empty-list<int> $lengths */
    private static function said(string $first, array $lengths): string
    {
        $whole = array_map(static fn (int $length): int => $length + strlen($first), $lengths);
        $many = count($whole) > self::MOST_LENGTHS ? "{$whole[0]} digits or more" : implode(' or ', $whole) . ' digits';

        return "national, {$many}" . ($first === '' ? '' : ", {$first} first");
    }

    /**
     * @return non-empty-list<int> how many digits numbers of persons have there, what is dialled before them left out
     */
    private static function lengths(int $code): array
    {
        $util = PhoneNumberUtil::getInstance();
        $isPossible = static fn (int $length): bool => $util->isPossibleNumberForTypeWithReason(
            (new PhoneNumber())->setCountryCode($code)->setNationalNumber(str_repeat('2', $length)),
            PhoneNumberType::FIXED_LINE_OR_MOBILE,
        ) === ValidationResult::IS_POSSIBLE;
        $lengths = array_values(array_filter(range(self::SHORTEST, self::LONGEST), $isPossible));

        return $lengths === [] ? [self::SHORTEST] : $lengths;
    }

    /**
     * @return ?string what is dialled before a country code: as a number abroad is written for whoever dials it there
     */
    private static function international(string $country): ?string
    {
        $util = PhoneNumberUtil::getInstance();
        $abroad = $util->getExampleNumberForType($country === 'GB' ? 'FR' : 'GB', PhoneNumberType::FIXED_LINE);
        if ($abroad === null) {
            return null;
        }
        $dialled = (string) preg_replace('/\D+/', '', $util->formatOutOfCountryCallingNumber($abroad, $country));
        $prefix = substr($dialled, 0, -strlen(
            $abroad->getCountryCode() . $util->getNationalSignificantNumber($abroad),
        ));

        return $prefix === '' ? null : $prefix;
    }
}
