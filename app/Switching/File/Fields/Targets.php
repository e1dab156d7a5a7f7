<?php

declare(strict_types=1);

namespace App\Switching\File\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;

/** Where a condition leads, for calls from outside and from inside. */
final readonly class Targets extends OneField
{
    public function toSwitch(mixed $ours, Names $names): array
    {
        $sides = is_string($ours) ? ['outside' => $ours, 'inside' => $ours] : $ours;

        return [$this->their => is_array($sides) ? [
            'outside' => Target::encode($sides['outside'] ?? null, $names),
            'inside' => Target::encode($sides['inside'] ?? null, $names),
        ] : null];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $sides = is_array($record[$this->their] ?? null) ? $record[$this->their] : [];

        return [
            'outside' => Target::decode($sides['outside'] ?? null, $names),
            'inside' => Target::decode($sides['inside'] ?? null, $names),
        ];
    }
}
