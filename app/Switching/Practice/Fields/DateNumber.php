<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;

/** A date as one number: 20261225. */
final readonly class DateNumber extends OneField
{
    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => is_string($ours) ? (int) str_replace('-', '', $ours) : null];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $number = $record[$this->their] ?? null;

        return is_int($number)
            ? sprintf('%04d-%02d-%02d', intdiv($number, 10_000), intdiv($number, 100) % 100, $number % 100)
            : null;
    }
}
