<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Numbering\UnusableNumber;

/** Outside numbers that calls are sent to or ring, by E.164, in groups as they are read: screens group none. */
final class NumbersResource
{
    private const OUTSIDE = 'outside:';

    /** @return array<string, string> of objects that are JSON already */
    public static function inJson(string $objects): array
    {
        preg_match_all('/"(?:outside:|number": ?")(\+\d+)"/', $objects, $found);

        return self::in(array_map(
            static fn (string $number): string => self::OUTSIDE . $number,
            array_values(array_unique($found[1])),
        ));
    }

    /** @return array<string, string> of values as the API gives them */
    public static function in(mixed $value): array
    {
        if (is_string($value)) {
            return self::one($value);
        }
        $numbers = [];
        foreach (is_array($value) ? $value : [] as $inner) {
            $numbers += self::in($inner);
        }

        return $numbers;
    }

    /** @return array<string, string> */
    private static function one(string $to): array
    {
        $number = str_starts_with($to, self::OUTSIDE) ? substr($to, strlen(self::OUTSIDE)) : '';

        try {
            return str_starts_with($number, '+') ? [$number => E164::parse($number)->display()] : [];
        } catch (UnusableNumber) {
            // A text that only begins like one, such as a name on the switch.
            return [];
        }
    }
}
