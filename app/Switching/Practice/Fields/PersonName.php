<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\FieldCodec;
use App\Switching\Table\Names;

/** First and last name as two fields. */
final readonly class PersonName implements FieldCodec
{
    public function theirs(): array
    {
        return ['given', 'family'];
    }

    public function toSwitch(mixed $ours, Names $names): array
    {
        $name = is_array($ours) ? $ours : [];

        return ['given' => $name['first'] ?? null, 'family' => $name['last'] ?? null];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        return ['first' => $record['given'] ?? null, 'last' => $record['family'] ?? null];
    }
}
