<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Practice\Names;

/** A reference as the id of a record. */
final readonly class Pointer implements FieldCodec
{
    public function __construct(private string $their)
    {
    }

    public function theirs(): array
    {
        return [$this->their];
    }

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
