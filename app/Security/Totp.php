<?php

declare(strict_types=1);

namespace App\Security;

/**
 * Time-based one-time passwords: six digits, SHA-1, steps of 30 seconds, as authenticator programs expect.
 *
 * @see https://www.rfc-editor.org/rfc/rfc6238 (RFC 6238; RFC 4226 section 5.3 for the truncation; RFC 4648 for base 32)
 */
final class Totp
{
    public const STEP_SECONDS = 30;

    private const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    private const SECRET_BYTES = 20;

    /** Steps a clock may be off to either side. */
    private const DRIFT = 1;

    public static function newSecret(): string
    {
        $bits = '';
        foreach (str_split(random_bytes(self::SECRET_BYTES)) as $byte) {
            $bits .= str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT);
        }

        return implode(
            '',
            array_map(static fn (string $five): string => self::ALPHABET[(int) bindec($five)], str_split($bits, 5)),
        );
    }

    /** @param int $step whole steps since 1970 */
    public static function code(string $secret, int $step, int $digits = 6): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), self::decode($secret), true);
        $offset = ord($hash[19]) & 0xF;
        $number = (
            (ord($hash[$offset]) & 0x7F) << 24
        ) | (ord($hash[$offset + 1]) << 16) | (ord($hash[$offset + 2]) << 8) | ord($hash[$offset + 3]);

        return str_pad((string) ($number % (10 ** $digits)), $digits, '0', STR_PAD_LEFT);
    }

    /**
     * @param  int  $now  seconds since 1970
     * @param  ?int  $lastStep  the step of the last code taken: no code is taken twice
     * @return ?int the step of the code; null where it is not a code of now
     */
    public static function check(string $secret, string $code, int $now, ?int $lastStep): ?int
    {
        $current = intdiv($now, self::STEP_SECONDS);
        for ($step = $current - self::DRIFT; $step <= $current + self::DRIFT; $step++) {
            if ($step > ($lastStep ?? -1) && hash_equals(self::code($secret, $step), $code)) {
                return $step;
            }
        }

        return null;
    }

    /** What an authenticator program reads from the picture. */
    public static function address(string $secret, string $account): string
    {
        return 'otpauth://totp/' . rawurlencode('Jaunty Roster') . ':' . rawurlencode($account)
            . '?'
            . http_build_query(['secret' => $secret, 'issuer' => 'Jaunty Roster'], encoding_type: PHP_QUERY_RFC3986);
    }

    private static function decode(string $secret): string
    {
        $bits = '';
        foreach (str_split($secret) as $letter) {
            $bits .= str_pad(decbin((int) strpos(self::ALPHABET, $letter)), 5, '0', STR_PAD_LEFT);
        }

        return implode('', array_map(
            static fn (string $eight): string => chr((int) bindec($eight)),
            str_split(substr($bits, 0, intdiv(strlen($bits), 8) * 8), 8),
        ));
    }
}
