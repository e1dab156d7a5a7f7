<?php

declare(strict_types=1);

namespace App\Switching\Table\Fields;

use App\Switching\Table\Names;

/** Several references as ids of records, in their order. */
final readonly class Pointers extends OneField
{
    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => array_map($names->idOf(...), array_values(
            array_filter(is_array($ours) ? $ours : [], is_string(...)),
        ))];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $ids = is_array($record[$this->their] ?? null) ? $record[$this->their] : [];

        return array_values(array_filter(
            array_map(static fn (mixed $id): ?string => is_string($id) ? $names->referenceOf($id) : null, $ids),
            is_string(...),
        ));
    }
}
