<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

use Jaunty\Core\Numbering\DigitAutomaton;
use Jaunty\Core\Numbering\DigitMap;
use Jaunty\Core\Numbering\TooIntricate;

/**
 * Whether some caller meets an entry of a list of callers first, and who: an entry behind others that take all its
 * callers is met by nobody.
 */
final readonly class FirstMatch
{
    /**
     * What people take for a number at a glance is tried first; then whatever E.164 allows (6 to 15 digits, the first
     * no zero).
     */
    private const USUAL = ['[1-9]xxx5555555', '[1-9]xxxxxxxxxx'];

    private const LEAST = 6;

    private const MOST = 15;

    /**
     * @param ?string $example `+E164`, `withheld`, or empty for anybody; null where nobody is, or where it cannot be
     *     said who
     */
    private function __construct(public bool $isPossible, public ?string $example)
    {
    }

    /**
     * @param  string  $callers  a digit map, `withheld` or `anyone`
     * @param  list<string>  $before  those that are looked at first
     */
    public static function of(string $callers, array $before): self
    {
        if (in_array('anyone', $before, true) || in_array($callers, $before, true)) {
            return new self(false, null);
        }
        if ($callers === 'anyone' || $callers === 'withheld') {
            return new self(true, $callers === 'anyone' ? '' : $callers);
        }
        try {
            $own = self::automaton($callers);
            $others = array_map(self::automaton(...), array_values(
                array_filter($before, static fn (string $each): bool => $each !== 'withheld'),
            ));
            $digits = null;
            foreach ([...self::USUAL, self::any()] as $form) {
                $digits ??= $own->within(self::automaton($form), ...$others);
            }
        } catch (TooIntricate) {
            // Nobody can say: then it is not said that it never holds.
            return new self(true, null);
        }

        return new self($digits !== null, $digits === null ? null : "+{$digits}");
    }

    private static function any(): string
    {
        return implode('|', array_map(
            static fn (int $digits): string => '[1-9]' . str_repeat('x', $digits - 1),
            range(self::LEAST, self::MOST),
        ));
    }

    private static function automaton(string $map): DigitAutomaton
    {
        /** @var array<string, DigitAutomaton> $known */
        static $known = [];

        return count($known) > 200
            ? DigitAutomaton::of(DigitMap::parse($map, 'callers'))
            : $known[$map] ??= DigitAutomaton::of(DigitMap::parse($map, 'callers'));
    }
}
