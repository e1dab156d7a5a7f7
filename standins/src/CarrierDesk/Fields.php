<?php

declare(strict_types=1);

namespace Standins\CarrierDesk;

use Standins\Shared\Refusal;

/** Reads what a request says, and refuses what cannot be read at its field. */
final class Fields
{
    private const LONGEST = 200;

    private const MOST_NUMBERS = 500;

    /** @param array<string, mixed> $body */
    public static function text(array $body, string $field, bool $orNone = false): string
    {
        $given = $body[$field] ?? '';
        $text = is_string($given) ? trim($given) : '';
        if ($text === '' && (! $orNone || ! is_string($given))) {
            throw new Refusal(422, "wants {$field}", $field);
        }

        return mb_strlen($text) <= self::LONGEST
            ? $text
            : throw new Refusal(422, 'wants ' . self::LONGEST . ' characters at most', $field);
    }

    /** @param array<string, mixed> $body */
    public static function day(array $body, string $field = 'day'): string
    {
        $given = $body[$field] ?? null;
        $day = is_string($given) ? \DateTimeImmutable::createFromFormat('!Y-m-d', $given) : false;

        return $day !== false && $day->format('Y-m-d') === $given
            ? $given
            : throw new Refusal(422, 'wants a day, as 2026-12-31', $field);
    }

    /**
     * @param  array<string, mixed>  $body
     * @return list<string> digits with the country code, no plus
     */
    public static function numbers(array $body, string $field = 'msisdns', bool $orNone = false): array
    {
        $given = $body[$field] ?? ($orNone ? [] : null);
        $numbers = is_array($given)
            ? array_values(array_filter(
                $given,
                static fn (mixed $each): bool => is_string($each) && preg_match('/^\d{6,15}$/D', $each) === 1,
            ))
            : [];
        if ($numbers !== $given || $numbers === [] && ! $orNone || count($numbers) > self::MOST_NUMBERS) {
            throw new Refusal(422, 'wants numbers, country code first, digits only, ' . self::MOST_NUMBERS
                . ' at most', $field);
        }

        return array_values(array_unique($numbers));
    }
}
