<?php

declare(strict_types=1);

namespace Jaunty\Core\Numbering;

use libphonenumber\ShortNumberInfo;

/** Which short numbers call for help in a country, as libphonenumber's short number metadata has them. */
final class EmergencyNumbers
{
    private const LONGEST = 3;

    /** @var array<string, list<string>> by country */
    private static array $known = [];

    /** @return list<string> every number of two or three digits that calls for help there */
    public static function of(string $country): array
    {
        return self::$known[$country] ??= array_values(array_filter(
            [
                ...array_map(static fn (int $number): string => sprintf('%02d', $number), range(0, 99)),
                ...array_map(static fn (int $number): string => sprintf('%03d', $number), range(0, 999)),
            ],
            static fn (string $digits): bool => self::is($digits, $country),
        ));
    }

    /** @return ?string the emergency number that digits begin with, or null */
    public static function beginning(string $digits, ?string $country): ?string
    {
        for ($length = 2; $country !== null && $length <= min(self::LONGEST, strlen($digits)); $length++) {
            if (self::is(substr($digits, 0, $length), $country)) {
                return substr($digits, 0, $length);
            }
        }

        return null;
    }

    public static function is(string $digits, string $country): bool
    {
        return ShortNumberInfo::getInstance()->isEmergencyNumber($digits, $country);
    }
}
