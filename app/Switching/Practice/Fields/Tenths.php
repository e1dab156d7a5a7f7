<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;

/** Seconds as tenths of a second. */
final readonly class Tenths extends OneField
{
    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => is_int($ours) ? $ours * 10 : null];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $tenths = $record[$this->their] ?? null;

        return is_int($tenths) ? intdiv($tenths, 10) : null;
    }
}
