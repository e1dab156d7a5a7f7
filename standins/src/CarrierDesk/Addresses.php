<?php

declare(strict_types=1);

namespace Standins\CarrierDesk;

use Standins\Shared\Refusal;

/**
 * Whether help would find an address: good as it is, better as this carrier writes it, or none that it knows. It knows
 * any street that has a house number and lies where its postcode does, but for those called Nowhere.
 */
final class Addresses
{
    private const FIELDS = ['premises', 'town', 'district', 'postal', 'land'];

    private const LONGEST = 200;

    /** As this carrier writes the last word of a street. */
    private const LAST_WORDS = [
        'st' => 'Street', 'rd' => 'Road', 'ave' => 'Avenue', 'av' => 'Avenue', 'sq' => 'Square', 'ln' => 'Lane',
        'dr' => 'Drive', 'blvd' => 'Boulevard', 'ct' => 'Court', 'pl' => 'Place',
    ];

    private const DISTRICTS = [
        'CA' => [
            'NL' => 'Newfoundland and Labrador', 'NS' => 'Nova Scotia', 'PE' => 'Prince Edward Island',
            'NB' => 'New Brunswick', 'QC' => 'Quebec', 'ON' => 'Ontario', 'MB' => 'Manitoba', 'SK' => 'Saskatchewan',
            'AB' => 'Alberta', 'BC' => 'British Columbia', 'NU' => 'Nunavut', 'NT' => 'Northwest Territories',
            'YT' => 'Yukon',
        ],
        'US' => [
            'ME' => 'Maine', 'NH' => 'New Hampshire', 'VT' => 'Vermont', 'MA' => 'Massachusetts',
            'RI' => 'Rhode Island', 'CT' => 'Connecticut', 'NY' => 'New York', 'NJ' => 'New Jersey',
            'PA' => 'Pennsylvania', 'FL' => 'Florida', 'IL' => 'Illinois', 'TX' => 'Texas', 'CA' => 'California',
            'WA' => 'Washington', 'OR' => 'Oregon',
        ],
    ];

    /** How postcodes of a district begin: the published plans of both countries' posts, from memory. */
    private const BEGINS = [
        'CA' => [
            'NL' => 'A', 'NS' => 'B', 'PE' => 'C', 'NB' => 'E', 'QC' => 'GHJ', 'ON' => 'KLMNP', 'MB' => 'R',
            'SK' => 'S', 'AB' => 'T', 'BC' => 'V', 'NU' => 'X', 'NT' => 'X', 'YT' => 'Y',
        ],
        'US' => [
            'ME' => '0', 'NH' => '0', 'VT' => '0', 'MA' => '0', 'RI' => '0', 'CT' => '0', 'NJ' => '0', 'NY' => '1',
            'PA' => '1', 'FL' => '3', 'IL' => '6', 'TX' => '7', 'CA' => '9', 'WA' => '9', 'OR' => '9',
        ],
    ];

    private const FORMS = [
        'CA' => '/^[A-Z]\d[A-Z] \d[A-Z]\d$/D', 'US' => '/^\d{5}(-\d{4})?$/D',
        'GB' => '/^[A-Z]{1,2}\d[A-Z\d]? \d[A-Z]{2}$/D',
    ];

    private const FLOOR = '/,?\s*\b(?:(?:\d+(?:st|nd|rd|th)|ground|top) floor|(?:floor|fl\.?|level) \d+)\b,?\s*/i';

    /**
     * @param  array<string, mixed>  $body
     * @return array{verdict: string, as: ?array<string, string>, remark: string}
     *
     * @throws Refusal 422 naming the part
     */
    public static function check(array $body): array
    {
        $given = [];
        foreach (self::FIELDS as $field) {
            $text = $body[$field] ?? ($field === 'district' ? '' : null);
            if (! is_string($text) || trim($text) === '' && $field !== 'district') {
                throw new Refusal(422, "wants {$field}", $field);
            }
            if (mb_strlen($text) > self::LONGEST) {
                throw new Refusal(422, 'wants ' . self::LONGEST . ' characters at most', $field);
            }
            $given[$field] = $text;
        }
        $as = self::written($given);
        $fault = self::fault($as);

        return match (true) {
            $fault !== null => ['verdict' => 'unknown', 'as' => null, 'remark' => $fault],
            $as === $given => ['verdict' => 'good', 'as' => $as, 'remark' => ''],
            default => [
                'verdict' => 'better', 'as' => $as,
                'remark' => preg_match(self::FLOOR, $given['premises']) === 1
                    ? 'the floor is told apart from the street'
                    : 'this is how it stands in the street file',
            ],
        };
    }

    /**
     * @param  array<string, string>  $given
     * @return array<string, string>
     */
    private static function written(array $given): array
    {
        $plain = array_map(
            static fn (string $text): string => trim((string) preg_replace('/\s+/u', ' ', $text)),
            $given,
        );
        $land = mb_strtoupper($plain['land']);
        $district = mb_strtoupper($plain['district']);
        foreach (self::DISTRICTS[$land] ?? [] as $code => $name) {
            $district = mb_strtoupper($name) === $district ? $code : $district;
        }
        $postal = mb_strtoupper($plain['postal']);
        $postal = match ($land) {
            'CA' => (string) preg_replace('/^(.*?) ?(\d[A-Z]\d)$/D', '$1 $2', $postal),
            'GB' => (string) preg_replace('/^(.*?) ?(\d[A-Z]{2})$/D', '$1 $2', $postal),
            default => $postal,
        };

        return [
            'premises' => self::street(trim((string) preg_replace(self::FLOOR, ' ', $plain['premises']))),
            'town' => self::capitals($plain['town']), 'district' => $district, 'postal' => $postal, 'land' => $land,
        ];
    }

    private static function street(string $street): string
    {
        $words = explode(' ', self::capitals($street));
        $last = mb_strtolower(rtrim((string) array_pop($words), '.'));

        return implode(' ', [...$words, self::LAST_WORDS[$last] ?? self::capitals($last)]);
    }

    /** Of what was written without any, or with nothing else. */
    private static function capitals(string $text): string
    {
        return $text === mb_strtolower($text) || $text === mb_strtoupper($text)
            ? mb_convert_case($text, MB_CASE_TITLE)
            : $text;
    }

    /** @param array<string, string> $as */
    private static function fault(array $as): ?string
    {
        $form = self::FORMS[$as['land']] ?? null;
        $districts = self::DISTRICTS[$as['land']] ?? [];
        $begins = self::BEGINS[$as['land']][$as['district']] ?? null;
        [$district, $postal] = [$as['district'], $as['postal']];

        return match (true) {
            $form === null => "this carrier has no street file of {$as['land']}",
            preg_match($form, $postal) !== 1 => "there is no postcode {$postal}",
            $districts !== [] && ! isset($districts[$district]) => "there is no {$district} in {$as['land']}",
            $begins !== null && ! str_contains($begins, $postal[0]) => "{$postal} is not in {$district}",
            preg_match('/^[1-9]\d{0,4}[A-Za-z]?(-\d+)? \S/', $as['premises']) !== 1 => 'the street has no house number',
            str_contains(mb_strtolower($as['premises']), 'nowhere') => "there is no {$as['premises']} in {$as['town']}",
            default => null,
        };
    }
}
