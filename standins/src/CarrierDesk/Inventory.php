<?php

declare(strict_types=1);

namespace Standins\CarrierDesk;

use Standins\Shared\Refusal;

/** Every number the carrier has: only ranges set aside for fiction, so that no number here is anybody's. */
final class Inventory
{
    /** Area codes, all of them with 555-0100 to 555-0199, and an invented town in each. */
    private const AREAS = [
        '902' => ['CA', 'Port Merrow'], '782' => ['CA', 'Quay End'], '506' => ['CA', 'Gannet Reach'],
        '416' => ['CA', 'Lantern Hill'], '207' => ['US', 'Osier Falls'], '617' => ['US', 'Kittiwake'],
    ];

    private const TOLL_FREE = ['833', '844', '855', '888'];

    /** London and Edinburgh ranges for drama: prefix, how many digits follow, and the town. */
    private const DRAMA = ['442079460' => [3, 'London'], '441314960' => [3, 'Edinburgh']];

    /** ITU-T E.161, figure 1: letters on the keys of a telephone. */
    private const KEYS = [
        'ABC' => '2', 'DEF' => '3', 'GHI' => '4', 'JKL' => '5', 'MNO' => '6', 'PQRS' => '7', 'TUV' => '8',
        'WXYZ' => '9',
    ];

    private const MOST_FOUND = 100;

    private const LONGEST_RUN = 100;

    /** Cents: once, and a month. */
    private const LOCAL = [0, 150];

    private const OVERSEAS = [0, 220];

    private const FREE_TO_CALL = [1_000, 300];

    /**
     * What is free and as it is wanted: `prefix`, `land`, `town`, digits anywhere (`having`), letters on the keypad
     * anywhere (`spelling`), `toll_free`, and `run` so many in a row of which the first is so.
     *
     * @param  array<string, string>  $wanted
     * @param  array<array-key, true>  $taken  by number
     * @return list<array{msisdn: string, land: string, town: string, toll_free: bool, once_cents: int,
     *     monthly_cents: int, run: ?string}>
     *
     * @throws Refusal
     */
    public static function search(array $wanted, array $taken): array
    {
        $prefix = $wanted['prefix'] ?? '';
        $having = $wanted['having'] ?? '';
        if (preg_match('/^\d{0,15}$/D', $prefix) !== 1) {
            throw new Refusal(422, 'wants the first digits of the numbers, country code first', 'prefix');
        }
        if (preg_match('/^\d{0,10}$/D', $having) !== 1) {
            throw new Refusal(422, 'wants digits, ten at most', 'having');
        }
        $spelt = self::keys($wanted['spelling'] ?? '');
        $run = self::count($wanted['run'] ?? '1', 'run', self::LONGEST_RUN);
        $most = self::count($wanted['most'] ?? '10', 'most', self::MOST_FOUND);
        $isTollFree = match ($wanted['toll_free'] ?? '') {
            '' => null, '1' => true, '0' => false,
            default => throw new Refusal(422, 'wants 1 or 0', 'toll_free'),
        };
        $town = mb_strtolower($wanted['town'] ?? '');
        $land = $wanted['land'] ?? '';
        $found = [];
        foreach (self::all() as $msisdn => [$where, $place, $free]) {
            $msisdn = (string) $msisdn;
            $national = substr($msisdn, $where === 'GB' ? 2 : 1);
            if (
                isset($taken[$msisdn]) || isset($found[$msisdn]) || ! str_starts_with($msisdn, $prefix)
                || $land !== '' && $land !== $where && ! ($free && $land !== 'GB')
                || $town !== '' && ! str_contains(mb_strtolower($place), $town)
                || ! str_contains($national, $having) || ! str_contains($national, $spelt)
                || $isTollFree !== null && $isTollFree !== $free
            ) {
                continue;
            }
            $row = self::row($msisdn, $taken, $run);
            if ($row === null || array_intersect_key($found, array_flip($row)) !== []) {
                continue;
            }
            foreach ($row as $each) {
                $found[$each] = self::told($each) + ['run' => $run === 1 ? null : $msisdn];
            }
            if (count($found) >= $most * $run) {
                break;
            }
        }

        return array_values($found);
    }

    /**
     * @return ?array{msisdn: string, land: string, town: string, toll_free: bool, once_cents: int,
     *     monthly_cents: int}
     */
    public static function of(string $msisdn): ?array
    {
        $isHere = preg_match('/^1(\d{3})55501\d\d$/D', $msisdn, $found) === 1
            ? isset(self::AREAS[$found[1]]) || in_array($found[1], self::TOLL_FREE, true)
            : isset(self::DRAMA[substr($msisdn, 0, 9)]) && strlen($msisdn) === 12 && ctype_digit($msisdn);

        return $isHere ? self::told($msisdn) : null;
    }

    public static function isTollFree(string $msisdn): bool
    {
        return preg_match('/^1(800|833|844|855|866|877|888)/', $msisdn) === 1;
    }

    /**
     * @return array{msisdn: string, land: string, town: string, toll_free: bool, once_cents: int,
     *     monthly_cents: int}
     */
    private static function told(string $msisdn): array
    {
        $isFree = self::isTollFree($msisdn);
        [$land, $town] = ['CA', ''];
        if (! $isFree && $msisdn[0] === '1') {
            [$land, $town] = self::AREAS[substr($msisdn, 1, 3)] ?? ['CA', ''];
        } elseif (! $isFree) {
            [$land, $town] = ['GB', self::DRAMA[substr($msisdn, 0, 9)][1] ?? ''];
        }
        [$once, $monthly] = match (true) {
            $isFree => self::FREE_TO_CALL,
            $land === 'GB' => self::OVERSEAS,
            default => self::LOCAL,
        };

        return [
            'msisdn' => $msisdn, 'land' => $land, 'town' => $town, 'toll_free' => $isFree, 'once_cents' => $once,
            'monthly_cents' => $monthly,
        ];
    }

    /**
     * @param  array<array-key, true>  $taken
     * @return ?list<string> so many in a row from there, all of them free
     */
    private static function row(string $first, array $taken, int $length): ?array
    {
        $row = [];
        for ($no = 0; $no < $length; $no++) {
            $each = (string) ((int) $first + $no);
            if (isset($taken[$each]) || self::of($each) === null) {
                return null;
            }
            $row[] = $each;
        }

        return $row;
    }

    private static function keys(string $letters): string
    {
        $keys = '';
        foreach (mb_str_split(mb_strtoupper((string) preg_replace('/[\s-]+/', '', $letters))) as $letter) {
            $key = ctype_digit($letter) ? $letter : null;
            foreach (self::KEYS as $row => $digit) {
                $key = str_contains($row, $letter) ? $digit : $key;
            }
            $keys .= $key ?? throw new Refusal(422, "no key of a telephone has {$letter}", 'spelling');
        }

        return strlen($keys) <= 10 ? $keys : throw new Refusal(422, 'wants ten letters at most', 'spelling');
    }

    private static function count(string $given, string $field, int $most): int
    {
        return preg_match('/^\d{1,3}$/D', $given) === 1 && (int) $given >= 1 && (int) $given <= $most
            ? (int) $given
            : throw new Refusal(422, "wants a whole number from 1 to {$most}", $field);
    }

    /** @return \Generator<array-key, array{string, string, bool}> land, town and whether it is free to call */
    private static function all(): \Generator
    {
        foreach (self::AREAS as $area => [$land, $town]) {
            for ($line = 100; $line <= 199; $line++) {
                yield "1{$area}5550{$line}" => [$land, $town, false];
            }
        }
        foreach (self::DRAMA as $prefix => [$width, $town]) {
            for ($line = 0; $line < 10 ** $width; $line++) {
                yield $prefix . str_pad((string) $line, $width, '0', STR_PAD_LEFT) => ['GB', $town, false];
            }
        }
        foreach (self::TOLL_FREE as $area) {
            for ($line = 100; $line <= 199; $line++) {
                yield "1{$area}5550{$line}" => ['CA', '', true];
            }
        }
    }
}
