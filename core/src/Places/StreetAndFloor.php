<?php

declare(strict_types=1);

namespace Jaunty\Core\Places;

/** A street into which a floor, a suite or a unit was typed, taken apart. */
final readonly class StreetAndFloor
{
    /** A word alone is no floor: there are streets named Level Road and Unit Lane. */
    private const FLOOR = '(?:\d+(?:st|nd|rd|th)|first|second|third|fourth|fifth|ground|main|top|upper|lower) floor'
        . '|(?:floor|level) *#? *(?:\d+[a-z]?|[a-z])\b'
        . '|(?:\d+(?:er|re|e|ème)|premier|deuxième|troisième) étage|rez-de-chaussée';

    private const ROOM = '(?:suite|unit|bureau) *#? *(?:\d+[a-z]?|[a-z])\b';

    /**
     * @param  string  $street  what is left, which may be nothing
     * @param  string  $floor  as it was typed
     * @param  bool  $isFloor  a suite or a unit is none
     */
    private function __construct(public string $street, public string $floor, public bool $isFloor)
    {
    }

    public static function of(string $typed): ?self
    {
        foreach ([[self::FLOOR, true], [self::ROOM, false]] as [$words, $isFloor]) {
            $pattern = "/(?<![\\p{L}\\p{N}])(?:{$words})(?![\\p{L}\\p{N}])/iu";
            if (preg_match($pattern, $typed, $found, PREG_OFFSET_CAPTURE) === 1) {
                [$floor, $at] = $found[0];
                $left = array_map(
                    static fn (string $part): string => (string) preg_replace('/^[\s,;()-]+|[\s,;()-]+$/u', '', $part),
                    [substr($typed, 0, $at), substr($typed, $at + strlen($floor))],
                );

                return new self(implode(', ', array_diff($left, [''])), $floor, $isFloor);
            }
        }

        return null;
    }
}
