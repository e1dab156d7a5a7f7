<?php

declare(strict_types=1);

namespace App\House;

/** Whether a colour carries white letters. */
final class Colour
{
    /** Of text that everybody can read (WCAG 2.2, success criterion 1.4.3). */
    public const LEAST = 4.5;

    /**
     * Contrast with white, from 1 to 21.
     *
     * @param  string  $colour  #rrggbb
     *
     * @see https://www.w3.org/TR/WCAG22/#dfn-contrast-ratio and #dfn-relative-luminance
     */
    public static function contrastWithWhite(string $colour): float
    {
        $luminance = 0.0;
        foreach ([0.2126, 0.7152, 0.0722] as $place => $share) {
            $value = hexdec(substr($colour, 1 + 2 * $place, 2)) / 255;
            $luminance += $share * ($value <= 0.04045 ? $value / 12.92 : (($value + 0.055) / 1.055) ** 2.4);
        }

        return 1.05 / ($luminance + 0.05);
    }
}
