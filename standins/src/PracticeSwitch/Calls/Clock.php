<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/**
 * Local time of one zone, read as RFC 5545 section 3.3.5 has it: a time in the gap with the offset before it, a time
 * that occurs twice as the first.
 */
final readonly class Clock
{
    private const DAY = 86_400;

    private \DateTimeZone $zone;

    public function __construct(string $zone)
    {
        $this->zone = new \DateTimeZone($zone);
    }

    /** The day's number since 1970 that an instant belongs to here. */
    public function dayOf(int $instant): int
    {
        $day = intdiv($instant, self::DAY) + 1;
        while ($this->instant($day, 0) > $instant) {
            $day--;
        }

        return $day;
    }

    /** @param int $minute since midnight; a day and more leads into the days after */
    public function instant(int $day, int $minute): int
    {
        $wall = $day * self::DAY + $minute * 60;
        $before = $this->offset($wall - self::DAY);
        $after = $this->offset($wall + self::DAY);
        // The earlier of two readings has the greater offset; a time that neither reading shows on the clock is in the
        // gap.
        foreach ([max($before, $after), min($before, $after)] as $offset) {
            if ($this->offset($wall - $offset) === $offset) {
                return $wall - $offset;
            }
        }

        return $wall - $before;
    }

    /** @return int such as 20261225 */
    public static function dateNumber(int $day): int
    {
        return (int) gmdate('Ymd', $day * self::DAY);
    }

    public static function dayNumber(int $date): int
    {
        return intdiv((int) gmmktime(0, 0, 0, intdiv($date, 100) % 100, $date % 100, intdiv($date, 10_000)), self::DAY);
    }

    /** Monday is 0. */
    public static function weekday(int $day): int
    {
        return (int) gmdate('N', $day * self::DAY) - 1;
    }

    private function offset(int $instant): int
    {
        return $this->zone->getOffset((new \DateTimeImmutable("@{$instant}")));
    }
}
