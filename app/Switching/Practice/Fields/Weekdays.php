<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;
use Jaunty\Core\Book\ClockTime;

/** Days of the week as bits of one number, Monday the lowest. */
final readonly class Weekdays extends OneField
{
    public function toSwitch(mixed $ours, Names $names): array
    {
        $bits = 0;
        foreach (is_array($ours) ? $ours : [] as $day) {
            $place = array_search($day, ClockTime::DAYS, true);
            $bits |= $place === false ? 0 : 1 << $place;
        }

        return [$this->their => is_array($ours) ? $bits : null];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $bits = $record[$this->their] ?? null;

        return is_int($bits)
            ? array_values(array_filter(
                ClockTime::DAYS,
                static fn (int $place): bool => ($bits >> $place & 1) === 1,
                ARRAY_FILTER_USE_KEY,
            ))
            : null;
    }
}
