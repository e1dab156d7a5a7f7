<?php

declare(strict_types=1);

namespace Jaunty\Core\Numbering;

/**
 * Numbers that regulators set aside for films and drama. Source: core/data/fictional-numbers.json, which says what it
 * was written from.
 *
 * @internal
 */
final class FictionalNumbers
{
    /**
     * @var ?array{everyArea: list<array{callingCode: string, area: int, first: string, last: string}>,
     *     ranges: list<array{string, string}>}
     */
    private static ?array $known = null;

    /** @param string $digits of E.164, without the plus */
    public static function have(string $digits): bool
    {
        $known = self::$known ??= self::read();
        foreach ($known['everyArea'] as $plan) {
            $local = substr($digits, strlen($plan['callingCode']) + $plan['area']);
            if (
                str_starts_with($digits, $plan['callingCode'])
                && strlen($local) === strlen($plan['first'])
                && $plan['first'] <= $local
                && $local <= $plan['last']
            ) {
                return true;
            }
        }
        foreach ($known['ranges'] as [$first, $last]) {
            if (strlen($digits) === strlen($first) && $first <= $digits && $digits <= $last) {
                return true;
            }
        }

        return false;
    }

    /**
     * @return array{everyArea: list<array{callingCode: string, area: int, first: string, last: string}>,
     *     ranges: list<array{string, string}>}
     */
    private static function read(): array
    {
        /**
         * @var array{everyArea: list<array{callingCode: string, area: int, first: string, last: string}>,
         *     ranges: list<array{string, string}>} $read
         */
        $read = json_decode(
            (string) file_get_contents(dirname(__DIR__, 2) . '/data/fictional-numbers.json'),
            true,
            flags: JSON_THROW_ON_ERROR,
        );

        return $read;
    }
}
