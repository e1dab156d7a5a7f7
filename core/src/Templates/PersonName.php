<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/** A name as somebody wrote it, in the order it is spoken: which part callers dial by is the whole point. */
final readonly class PersonName
{
    /** Words that begin a last name: the name goes on behind them (common practice). */
    private const PARTICLES = [
        'van', 'von', 'der', 'den', 'ten', 'ter', 'de', 'du', 'des', 'del', 'della', 'di', 'da', 'dos', 'das', 'la',
        'le', 'les', 'el', 'al', 'bin', 'ibn', 'ben', 'af', 'av', 'zu', 'zum', 'zur', 'st', 'st.', 'saint', 'san',
        'santa', 'ó', 'o', 'ní', 'nic', 'mac', 'mc', 'ua', 'uí', "d'", "l'",
    ];

    /** Words behind a last name that belong to it. */
    private const SUFFIX = '/^(?:jr|sr|ii|iii|iv)\.?$/iD';

    private function __construct(public string $first, public string $last)
    {
    }

    public static function of(string $written): self
    {
        $written = trim((string) preg_replace('/\s+/u', ' ', $written), ' ,');
        // "van der Meer, Pia" as address books have it: what the comma parts stays parted.
        if (preg_match('/^([^,]+),\s*([^,]+)$/u', $written, $found) === 1) {
            return preg_match(self::SUFFIX, $found[2]) === 1
                ? self::spoken("{$found[1]} {$found[2]}")
                : new self(trim($found[2]), trim($found[1]));
        }

        return self::spoken($written);
    }

    /** The name as it is spoken. */
    public function whole(): string
    {
        return trim("{$this->first} {$this->last}");
    }

    /** Whether words before a comma are a last name: `van der Meer`, `Marsh`; not `Ines Marsh`. */
    public static function isLast(string $words): bool
    {
        $each = explode(' ', trim($words));

        return count($each) === 1 || self::isParticle($each[0]) || count($each) === 2
            && preg_match(self::SUFFIX, $each[1]) === 1;
    }

    private static function spoken(string $written): self
    {
        $words = $written === '' ? [] : explode(' ', $written);
        $cut = count($words) - 1;
        if ($cut > 0 && preg_match(self::SUFFIX, $words[$cut]) === 1) {
            $cut--;
        }
        // "BEAUSÉJOUR Odile", "Odile BEAUSÉJOUR": what is in capitals is the last name.
        $loud = array_filter($words, self::isLoud(...));
        if ($loud !== [] && count($loud) < count($words) && array_key_first($loud) === 0) {
            return new self(
                implode(' ', array_slice($words, count($loud))),
                implode(' ', array_slice($words, 0, count($loud))),
            );
        }
        while ($cut > 1 && self::isParticle($words[$cut - 1])) {
            $cut--;
        }

        return $cut < 1
            ? new self(implode(' ', $words), '')
            : new self(implode(' ', array_slice($words, 0, $cut)), implode(' ', array_slice($words, $cut)));
    }

    private static function isParticle(string $word): bool
    {
        return in_array(mb_strtolower($word), self::PARTICLES, true);
    }

    private static function isLoud(string $word): bool
    {
        return mb_strlen($word) > 2 && mb_strtoupper($word) === $word && mb_strtolower($word) !== $word;
    }
}
