<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

/**
 * What owns a date of a schedule and says of it: the state outside hours, and hours with their state.
 *
 * @internal
 */
final readonly class DayPlan
{
    /**
     * @param  int  $number  among those of its schedule; the plans of days alike are one
     * @param  string  $owner  names the exception, period or holiday; `week` where the weekly hours hold
     * @param  string  $outside  the state outside hours
     * @param  string  $inside  the state in its hours
     * @param  list<array{int, int}>  $hours  minutes since midnight; an end past 1440 runs into the next date
     * @param  bool  $isClosedDate  whether hours from the day before stop at midnight
     */
    public function __construct(
        public int $number,
        public string $owner,
        public string $outside,
        public string $inside,
        public array $hours,
        public bool $isClosedDate,
    ) {
    }
}
