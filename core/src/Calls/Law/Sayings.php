<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Hours\HoursState;

/**
 * What schedules and numbers' dates say in the period in hand, and which of them were asked.
 *
 * @internal
 */
final class Sayings
{
    /** @var array<string, string> by slot */
    public array $says = [];

    /** @var array<string, string> by slot, what was said */
    public array $asked = [];

    /** @param int $at instant at which numbers' dates are read where nothing is said of them */
    public function __construct(private readonly int $at)
    {
    }

    /** Names a schedule in a zone. */
    public static function slot(Schedule $schedule, string $zone): string
    {
        return "schedule:{$schedule->key} " . ($schedule->fixedZone ?? $zone);
    }

    /** Names the dates of a number. */
    public static function dates(Number $number): string
    {
        return "dates:{$number->key}";
    }

    public function ofSchedule(Schedule $schedule, string $zone): string
    {
        $slot = self::slot($schedule, $zone);

        return $this->asked[$slot] = $this->says[$slot] ?? HoursState::Open->value;
    }

    public function ofNumber(Number $number, string $zone): string
    {
        if ($number->from === null && $number->until === null) {
            return NumberRules::WITHIN;
        }
        $slot = self::dates($number);

        return $this->asked[$slot] = $this->says[$slot] ?? NumberRules::standing($number, $zone, $this->at);
    }
}
