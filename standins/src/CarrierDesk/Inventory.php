<?php

declare(strict_types=1);

namespace Standins\CarrierDesk;

/** Every number the carrier has: only ranges set aside for fiction, so that no number here is anybody's. */
final class Inventory
{
    /**
     * North American area codes of Nova Scotia, New Brunswick, Maine and Massachusetts; 555-0100 to 555-0199 in each.
     */
    private const AREAS = ['902', '782', '506', '416', '207', '617'];

    /** London and Edinburgh ranges for drama: prefix and how many digits follow. */
    private const DRAMA = ['442079460' => 3, '441314960' => 3];

    /** @return \Generator<string> digits with the country code, no plus */
    public static function startingWith(string $prefix): \Generator
    {
        foreach (self::all() as $msisdn) {
            if (str_starts_with($msisdn, $prefix)) {
                yield $msisdn;
            }
        }
    }

    public static function has(string $msisdn): bool
    {
        foreach (self::startingWith($msisdn) as $found) {
            return $found === $msisdn;
        }

        return false;
    }

    /** @return \Generator<string> */
    private static function all(): \Generator
    {
        foreach (self::AREAS as $area) {
            for ($line = 100; $line <= 199; $line++) {
                yield "1{$area}5550{$line}";
            }
        }
        foreach (self::DRAMA as $prefix => $width) {
            for ($line = 0; $line < 10 ** $width; $line++) {
                yield $prefix . str_pad((string) $line, $width, '0', STR_PAD_LEFT);
            }
        }
    }
}
