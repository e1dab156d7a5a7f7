<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;
use Jaunty\Core\Book\ClockTime;

/** A span of the week as two counts of minutes since Monday 00:00. */
final readonly class WeekSpan extends OneField
{
    private const DAY = 1440;

    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => is_array($ours) ? array_map(self::minutes(...), array_values($ours)) : null];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $span = $record[$this->their] ?? null;

        return is_array($span) ? array_map(self::moment(...), array_values($span)) : null;
    }

    private static function minutes(mixed $moment): int
    {
        [$day, $time] = explode(' ', is_string($moment) ? $moment : 'mon 00:00', 2) + [1 => '00:00'];

        return (int) array_search($day, ClockTime::DAYS, true) * self::DAY + ClockTime::minutes($time);
    }

    private static function moment(mixed $minutes): string
    {
        $minutes = is_int($minutes) ? $minutes : 0;
        $isMidnight = $minutes % self::DAY === 0 && $minutes > 0;

        return ClockTime::DAYS[intdiv($isMidnight ? $minutes - 1 : $minutes, self::DAY) % 7]
            . ' '
            . ($isMidnight ? '24:00' : ClockTime::text($minutes % self::DAY));
    }
}
