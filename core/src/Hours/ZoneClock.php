<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

/**
 * A time zone as its list of offsets. Local time is minutes since 1 January 1970 00:00 on the wall; instants are
 * seconds since then in UTC. In a clock change: a local time in the gap is read with the offset before it, one that
 * occurs twice is the first (RFC 5545 section 3.3.5).
 */
final class ZoneClock
{
    /** The transitions asked of PHP's own copy of the tz database; rules beyond them repeat. */
    private const FIRST = -2_208_988_800;

    private const LAST = 4_133_980_800;

    /** @var array<string, self> */
    private static array $known = [];

    /** @var array<string, list<int>> by first and last day */
    private array $midnights = [];

    /**
     * @param  non-empty-list<int>  $from  instants at which an offset begins, ascending; the first holds from the
     *     beginning of time
     * @param  list<int>  $offsets  seconds east of UTC
     */
    private function __construct(private readonly array $from, private readonly array $offsets)
    {
    }

    public static function of(string $zone): self
    {
        return self::$known[$zone] ??= self::read($zone);
    }

    public function offsetAt(int $instant): int
    {
        return $this->offsets[$this->index($instant)];
    }

    /** Minutes on the wall; seconds are cut off. */
    public function localMinutes(int $instant): int
    {
        return (int) floor(($instant + $this->offsetAt($instant)) / 60);
    }

    public function instantOf(int $localMinutes): int
    {
        $wall = $localMinutes * 60;
        // An offset is at most 26 hours off, so the right piece is one of those in force around the wall time.
        $index = $this->index($wall - 93_600);
        $last = count($this->from) - 1;
        while ($index < $last && $wall - $this->offsets[$index] >= $this->from[$index + 1]) {
            // The wall time lies past the end of this piece. In a gap it lies before the beginning of the next one too.
            if ($wall - $this->offsets[$index + 1] < $this->from[$index + 1]) {
                return $wall - $this->offsets[$index];
            }
            $index++;
        }

        return $wall - $this->offsets[$index];
    }

    /** The date on the wall, as days since 1970. */
    public function day(int $instant): int
    {
        return (int) floor($this->localMinutes($instant) / LocalDate::MINUTES);
    }

    /** The instant at which a date begins, given as days since 1970. */
    public function midnight(int $day): int
    {
        return $this->instantOf($day * LocalDate::MINUTES);
    }

    /**
     * Where each day begins, and the one after the last.
     *
     * @param  int  $first  days since 1970
     * @return list<int>
     */
    public function midnights(int $first, int $last): array
    {
        return $this->midnights["{$first} {$last}"] ??= array_map($this->midnight(...), range($first, $last + 1));
    }

    /** @return list<int> instants at which the clocks change, from (exclusive) to (exclusive) */
    public function changesBetween(int $from, int $to): array
    {
        return array_values(
            array_filter($this->from, static fn (int $instant): bool => $instant > $from && $instant < $to),
        );
    }

    private function index(int $instant): int
    {
        return Ascending::lastUpTo($this->from, $instant);
    }

    private static function read(string $zone): self
    {
        $from = [];
        $offsets = [];
        foreach ((new \DateTimeZone($zone))->getTransitions(self::FIRST, self::LAST) as $transition) {
            if ($offsets === [] || $offsets[count($offsets) - 1] !== $transition['offset']) {
                $from[] = $transition['ts'];
                $offsets[] = $transition['offset'];
            }
        }

        return $from === [] ? new self([self::FIRST], [0]) : new self($from, $offsets);
    }
}
