<?php

declare(strict_types=1);

namespace App\Switching\File\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;

/** A time of day as one number: 930. */
final readonly class ClockNumber extends OneField
{
    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => is_string($ours) ? (int) str_replace(':', '', $ours) : null];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $number = $record[$this->their] ?? null;

        return is_int($number) ? sprintf('%02d:%02d', intdiv($number, 100), $number % 100) : null;
    }
}
