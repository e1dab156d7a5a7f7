<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** A digit map of RFC 3435 section 2.1.5 held against all of some digits, T being their end. */
final readonly class DigitString
{
    public static function matches(string $map, string $digits): bool
    {
        $pattern = '';
        foreach (str_split(trim($map, "() \t")) as $symbol) {
            $pattern .= match (true) {
                $symbol === 'x' || $symbol === 'X' => '[0-9]',
                // A dot is any number of what stands before it, none included.
                $symbol === '.' => '*',
                in_array($symbol, ['t', 'T', ' '], true) => '',
                in_array($symbol, ['|', '[', ']', '-'], true) || ctype_digit($symbol) => $symbol,
                default => preg_quote($symbol, '~'),
            };
        }

        return preg_match("~^(?:{$pattern})$~D", $digits) === 1;
    }
}
