<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;

/** Several places, in their order. */
final readonly class Places extends OneField
{
    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => array_map(
            static fn (mixed $place): ?array => Place::encode($place, $names),
            is_array($ours) ? array_values($ours) : [],
        )];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $places = is_array($record[$this->their] ?? null) ? $record[$this->their] : [];

        return array_values(array_filter(
            array_map(static fn (mixed $place): ?string => Place::decode($place, $names), $places),
            is_string(...),
        ));
    }
}
