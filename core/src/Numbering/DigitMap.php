<?php

declare(strict_types=1);

namespace Jaunty\Core\Numbering;

use Jaunty\Core\Book\UnusableBook;

/**
 * A digit map: alternatives of dialled symbols (RFC 3435 section 2.1.5). Matching follows all alternatives at once, so
 * its time grows with digits times elements whatever the map says.
 */
final readonly class DigitMap
{
    /** What can be dialled, and `T` for the end of the timer. */
    public const SYMBOLS = '0123456789*#ABCDT';

    /** The place of `T` among them. */
    public const TIMER = 16;

    private const ANY_DIGIT = 0x3FF;

    private const LONGEST = 2000;

    /**
     * @param list<list<array{int, bool}>> $alternatives elements: a set of symbols as bits, and whether it may repeat
     *     or be left out
     */
    private function __construct(private array $alternatives)
    {
    }

    /** @throws UnusableBook naming $path, with the place in the map */
    public static function parse(string $map, string $path): self
    {
        $body = preg_match('/^\((.*)\)$/Ds', $map, $found) === 1 ? $found[1] : $map;
        // The standard puts brackets around alternatives; books may leave them out, since nothing else can be meant.
        if ($map === '' || strlen($map) > self::LONGEST) {
            throw UnusableBook::malformed($path, 'a digit map (RFC 3435 section 2.1.5)', $map);
        }

        return new self(array_map(
            static fn (string $alternative): array => self::elements($alternative, $map, $path),
            explode('|', $body),
        ));
    }

    /**
     * @return list<list<array{int, bool}>> elements: a set of symbols as bits, and whether it may repeat or be left out
     */
    public function alternatives(): array
    {
        return $this->alternatives;
    }

    /** Whether all of the digits match an alternative; T stands for their end. */
    public function matches(string $digits): bool
    {
        foreach ($this->alternatives as $elements) {
            if ($this->matchesOne($elements, $digits)) {
                return true;
            }
        }

        return false;
    }

    /** Digits dialled one after another, `T` being the timer's end; what comes after a match is not looked at. */
    public function dial(string $digits): Dialling
    {
        $at = array_map(
            static fn (array $elements): array => self::withSkipped([0 => true], $elements),
            $this->alternatives,
        );
        foreach ($digits === '' ? [] : str_split(strtoupper($digits)) as $digit) {
            $symbol = strpos(self::SYMBOLS, $digit);
            $isAnywhere = false;
            foreach ($at as $which => $places) {
                $elements = $this->alternatives[$which];
                $at[$which] = $symbol === false
                    ? []
                    : self::withSkipped(self::moved($elements, $places, $symbol), $elements);
                if (isset($at[$which][count($elements)])) {
                    return Dialling::Match;
                }
                $isAnywhere = $isAnywhere || $at[$which] !== [];
            }
            if (! $isAnywhere) {
                return Dialling::Mismatch;
            }
        }

        return Dialling::Partial;
    }

    /**
     * @param  list<array{int, bool}>  $elements
     * @param  array<int, true>  $places
     * @return array<int, true>
     */
    private static function moved(array $elements, array $places, int $symbol): array
    {
        $next = [];
        foreach (array_keys($places) as $place) {
            if (isset($elements[$place]) && ($elements[$place][0] >> $symbol & 1) === 1) {
                $next[$elements[$place][1] ? $place : $place + 1] = true;
            }
        }

        return $next;
    }

    /** @param list<array{int, bool}> $elements */
    private function matchesOne(array $elements, string $digits): bool
    {
        $at = self::withSkipped([0 => true], $elements);
        foreach (str_split($digits) as $digit) {
            $symbol = strpos(self::SYMBOLS, strtoupper($digit));
            $at = $symbol === false ? [] : self::withSkipped(self::moved($elements, $at, $symbol), $elements);
        }
        $timer = 1 << self::TIMER;
        foreach (array_keys($at) as $place) {
            while (isset($elements[$place]) && ($elements[$place][0] & $timer) !== 0) {
                $place++;
            }
            if ($place === count($elements)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  array<int, true>  $places
     * @param  list<array{int, bool}>  $elements
     * @return array<int, true> with those reached by leaving out what may be left out
     */
    private static function withSkipped(array $places, array $elements): array
    {
        foreach (array_keys($places) as $place) {
            while (isset($elements[$place]) && $elements[$place][1]) {
                $places[++$place] = true;
            }
        }

        return $places;
    }

    /** @return list<array{int, bool}> */
    private static function elements(string $alternative, string $map, string $path): array
    {
        if (preg_match('/^(?:(?:[0-9*#A-DTx]|\[(?:[0-9](?:-[0-9])?|[*#A-DT])+\])\.?)+$/Di', $alternative) !== 1) {
            throw UnusableBook::malformed(
                $path,
                'a digit map (RFC 3435 section 2.1.5)',
                $alternative === '' ? $map : $alternative,
            );
        }
        preg_match_all('/(\[[^\]]+\]|.)(\.?)/', $alternative, $found, PREG_SET_ORDER);

        return array_map(
            static fn (array $element): array => [self::set($element[1], $path), $element[2] === '.'],
            $found,
        );
    }

    private static function set(string $element, string $path): int
    {
        if (strtolower($element) === 'x') {
            return self::ANY_DIGIT;
        }
        $set = 0;
        preg_match_all('/[0-9]-[0-9]|./', trim($element, '[]'), $parts);
        foreach ($parts[0] as $part) {
            $from = (int) strpos(self::SYMBOLS, strtoupper($part[0]));
            $to = strlen($part) === 1 ? $from : (int) $part[2];
            if ($to < $from) {
                throw UnusableBook::malformed($path, 'a span of digits from low to high', $part);
            }
            for ($symbol = $from; $symbol <= $to; $symbol++) {
                $set |= 1 << $symbol;
            }
        }

        return $set;
    }
}
