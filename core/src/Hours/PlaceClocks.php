<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

/**
 * Which clocks a place can go by: of its country, and in countries with several of its state or province (IANA time
 * zone database; the states from memory).
 */
final class PlaceClocks
{
    private const HALF_A_YEAR = 182 * 86_400;

    private const EASTERN = ['America/New_York'];

    private const CENTRAL = ['America/Chicago'];

    private const MOUNTAIN = ['America/Denver'];

    private const PACIFIC = ['America/Los_Angeles'];

    /** Places with several clocks list all of them: a border county is no fault. */
    private const KNOWN = [
        'CA-NL' => ['America/St_Johns', 'America/Halifax'], 'CA-PE' => ['America/Halifax'],
        'CA-NS' => ['America/Halifax'], 'CA-NB' => ['America/Halifax'],
        'CA-QC' => ['America/Toronto', 'America/Halifax', 'America/Blanc-Sablon'],
        'CA-ON' => ['America/Toronto', 'America/Winnipeg', 'America/Atikokan'],
        'CA-MB' => ['America/Winnipeg'], 'CA-SK' => ['America/Regina', 'America/Edmonton'],
        'CA-AB' => ['America/Edmonton'],
        'CA-BC' => ['America/Vancouver', 'America/Edmonton', 'America/Creston', 'America/Fort_Nelson'],
        'CA-YT' => ['America/Whitehorse'], 'CA-NT' => ['America/Edmonton'],
        'CA-NU' => ['America/Toronto', 'America/Winnipeg', 'America/Edmonton', 'America/Atikokan'],
        'US-CT' => self::EASTERN, 'US-DE' => self::EASTERN, 'US-DC' => self::EASTERN, 'US-GA' => self::EASTERN,
        'US-MA' => self::EASTERN, 'US-MD' => self::EASTERN,
        'US-ME' => self::EASTERN, 'US-NC' => self::EASTERN, 'US-NH' => self::EASTERN, 'US-NJ' => self::EASTERN,
        'US-NY' => self::EASTERN, 'US-OH' => self::EASTERN,
        'US-PA' => self::EASTERN, 'US-RI' => self::EASTERN, 'US-SC' => self::EASTERN, 'US-VA' => self::EASTERN,
        'US-VT' => self::EASTERN, 'US-WV' => self::EASTERN,
        'US-MI' => [...self::EASTERN, ...self::CENTRAL], 'US-FL' => [...self::EASTERN, ...self::CENTRAL],
        'US-IN' => [...self::EASTERN, ...self::CENTRAL],
        'US-KY' => [...self::EASTERN, ...self::CENTRAL], 'US-TN' => [...self::EASTERN, ...self::CENTRAL],
        'US-AL' => self::CENTRAL, 'US-AR' => self::CENTRAL, 'US-IL' => self::CENTRAL, 'US-IA' => self::CENTRAL,
        'US-LA' => self::CENTRAL, 'US-MN' => self::CENTRAL,
        'US-MO' => self::CENTRAL, 'US-MS' => self::CENTRAL, 'US-OK' => self::CENTRAL, 'US-WI' => self::CENTRAL,
        'US-KS' => [...self::CENTRAL, ...self::MOUNTAIN], 'US-NE' => [...self::CENTRAL, ...self::MOUNTAIN],
        'US-ND' => [...self::CENTRAL, ...self::MOUNTAIN],
        'US-SD' => [...self::CENTRAL, ...self::MOUNTAIN], 'US-TX' => [...self::CENTRAL, ...self::MOUNTAIN],
        'US-CO' => self::MOUNTAIN, 'US-MT' => self::MOUNTAIN, 'US-NM' => self::MOUNTAIN, 'US-UT' => self::MOUNTAIN,
        'US-WY' => self::MOUNTAIN,
        'US-AZ' => ['America/Phoenix', ...self::MOUNTAIN], 'US-ID' => [...self::MOUNTAIN, ...self::PACIFIC],
        'US-OR' => [...self::PACIFIC, ...self::MOUNTAIN],
        'US-NV' => [...self::PACIFIC, ...self::MOUNTAIN], 'US-CA' => self::PACIFIC, 'US-WA' => self::PACIFIC,
        'US-AK' => ['America/Anchorage', 'America/Adak'], 'US-HI' => ['Pacific/Honolulu'],
        'AU-NSW' => ['Australia/Sydney', 'Australia/Broken_Hill', 'Australia/Lord_Howe'],
        'AU-ACT' => ['Australia/Sydney'], 'AU-VIC' => ['Australia/Melbourne'], 'AU-QLD' => ['Australia/Brisbane'],
        'AU-SA' => ['Australia/Adelaide'], 'AU-WA' => ['Australia/Perth', 'Australia/Eucla'],
        'AU-TAS' => ['Australia/Hobart'], 'AU-NT' => ['Australia/Darwin'],
    ];

    /**
     * @param  string  $country  ISO 3166-1 code
     * @param  ?string  $subdivision  `CA-NS` or `NS`
     * @return list<string> zones, one of each clock; none where the place is not known
     */
    public static function of(string $country, ?string $subdivision): array
    {
        $place = $subdivision === null
            ? ''
            : (str_starts_with($subdivision, "{$country}-") ? $subdivision : "{$country}-{$subdivision}");
        $all = preg_match('/^[A-Z]{2}$/D', $country) === 1
            ? \DateTimeZone::listIdentifiers(\DateTimeZone::PER_COUNTRY, $country)
            : [];

        return self::KNOWN[strtoupper($place)] ?? $all;
    }

    /** Whether two zones say the same time, now and half a year on. */
    public static function isSame(string $one, string $other, int $now): bool
    {
        [$a, $b] = [ZoneClock::of($one), ZoneClock::of($other)];

        return $a->offsetAt($now) === $b->offsetAt($now)
            && $a->offsetAt($now + self::HALF_A_YEAR) === $b->offsetAt($now + self::HALF_A_YEAR);
    }
}
