<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/** What spreadsheets make of digits before somebody saves them as text (common practice). */
final class SpoiltCell
{
    /** Written short: `1.90256E+10`. */
    private const SHORT = '/^[+-]?\d+(?:[.,]\d+)?E[+-]?\d+$/i';

    /** A formula that came to nothing, and a column that was too narrow. */
    private const BROKEN = '/^(?:#(?:N\/A|REF!|NAME\?|VALUE!|DIV\/0!|NULL!|NUM!)|#{3,})$/i';

    /** As it was before, where that is beyond doubt: `201.0`, `="0201"`, `'0201`. */
    public static function mended(string $typed): string
    {
        $cell = (string) preg_replace('/^="(.*)"$/D', '$1', trim($typed));

        return (string) preg_replace(['/^\'(?=[+\d])/', '/^(\d+)[.,]0+$/D'], ['', '$1'], $cell);
    }

    /** @return ?string why nobody can know what it was; null where it was not spoilt */
    public static function why(string $typed): ?string
    {
        return match (true) {
            preg_match(self::SHORT, $typed) === 1 => "\"{$typed}\" is what a spreadsheet left of a longer number: make "
                . 'the column text there, and take it again',
            preg_match(self::BROKEN, $typed) === 1 => "\"{$typed}\" is a formula that came to nothing, or a column too "
                . 'narrow to be saved',
            default => null,
        };
    }
}
