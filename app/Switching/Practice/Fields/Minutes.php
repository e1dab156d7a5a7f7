<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;
use Jaunty\Core\Book\ClockTime;

/** A time of day as minutes since midnight. */
final readonly class Minutes extends OneField
{
    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => is_string($ours) ? ClockTime::minutes($ours) : null];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $minutes = $record[$this->their] ?? null;

        return is_int($minutes) ? ClockTime::text($minutes) : null;
    }
}
