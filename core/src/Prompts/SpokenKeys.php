<?php

declare(strict_types=1);

namespace Jaunty\Core\Prompts;

use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\Menu;

/**
 * Which keys a menu's script tells callers to press, each with the words that say so. English scripts only; others say
 * nothing.
 */
final class SpokenKeys
{
    private const NAMES = [
        'zero' => '0', 'one' => '1', 'two' => '2', 'three' => '3', 'four' => '4', 'five' => '5', 'six' => '6',
        'seven' => '7', 'eight' => '8', 'nine' => '9', 'star' => '*', 'hash' => '#', 'pound' => '#', 'square' => '#',
    ];

    private const PRESS = '/\b(?:press|dial|push|choose|key)\s+(?:the\s+)?(?:number\s+|key\s+)?([0-9*#]'
        . '|zero|one|two|three|four|five|six|seven|eight|nine|star|hash|pound|square)(?![0-9])/iu';

    /**
     * A script that tells of every key of a menu that leads somewhere, in the order of the keys.
     *
     * @param  \Closure(Destination): string  $name  what callers know a destination by, where the key says nothing
     *     itself
     */
    public static function write(Menu $menu, \Closure $name): string
    {
        $spoken = ['*' => 'star', '#' => 'hash'];
        $sentences = [];
        foreach ($menu->keys as $key => $leads) {
            if ($leads->to !== null) {
                $sentences[] = 'For '
                    . ($leads->label ?? $name($leads->to))
                    . ', press '
                    . ($spoken[$key] ?? $key)
                    . '.';
            }
        }

        return implode(' ', $sentences);
    }

    /**
     * @return array<array-key, string> the sentence, or the part of one, that tells of a key, by key; the first where
     *     several do
     */
    public static function in(?string $script, string $language = 'en'): array
    {
        $told = [];
        if ($script === null || ! str_starts_with(strtolower($language), 'en')) {
            return [];
        }
        foreach ((array) preg_split('/(?<=[.;!?])\s+|\s*\n+\s*/u', $script) as $sentence) {
            $sentence = (string) $sentence;
            // One sentence may tell of several keys; each gets what stands before it since the last.
            $from = 0;
            preg_match_all(self::PRESS, $sentence, $found, PREG_OFFSET_CAPTURE | PREG_SET_ORDER);
            foreach ($found as $place => $match) {
                $end = $place === count($found) - 1 ? strlen($sentence) : $match[0][1] + strlen($match[0][0]);
                $word = strtolower($match[1][0]);
                $told[self::NAMES[$word] ?? $word] ??= trim(substr($sentence, $from, $end - $from), " ,;\t");
                $from = $end;
            }
        }

        return $told;
    }
}
