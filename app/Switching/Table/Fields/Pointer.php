<?php

declare(strict_types=1);

namespace App\Switching\Table\Fields;

use App\Switching\Table\Names;

/** A reference as the id of a record. */
final readonly class Pointer extends OneField
{
    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => is_string($ours) ? $names->idOf($ours) : null];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $id = $record[$this->their] ?? null;

        return is_string($id) ? $names->referenceOf($id) : null;
    }
}
