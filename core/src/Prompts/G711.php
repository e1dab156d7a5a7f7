<?php

declare(strict_types=1);

namespace Jaunty\Core\Prompts;

/** Samples of telephone calls: eight bits, finer where it is quiet (ITU-T G.711), as sixteen bits. */
final class G711
{
    private const SIGN = 0x80;

    private const BIAS = 0x84;

    /** @var ?array<int, int> by octet */
    private static ?array $mu = null;

    /** @var ?array<int, int> by octet */
    private static ?array $a = null;

    /** @return array<int, int> the sample of each octet, 16 bits, signed */
    public static function muLaw(): array
    {
        return self::$mu ??= array_map(static function (int $octet): int {
            $bits = ~$octet & 0xFF;
            $size = ((($bits & 0x0F) << 3) + self::BIAS << ($bits >> 4 & 0x07)) - self::BIAS;

            return ($bits & self::SIGN) !== 0 ? -$size : $size;
        }, range(0, 255));
    }

    /** @return array<int, int> the sample of each octet, 16 bits, signed */
    public static function aLaw(): array
    {
        return self::$a ??= array_map(static function (int $octet): int {
            $bits = $octet ^ 0x55;
            $segment = $bits >> 4 & 0x07;
            $size = ($bits & 0x0F) << 4;
            $size = $segment === 0 ? $size + 8 : $size + 0x108 << $segment - 1;

            return ($bits & self::SIGN) !== 0 ? $size : -$size;
        }, range(0, 255));
    }
}
