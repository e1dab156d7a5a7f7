<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\FieldCodec;
use App\Switching\Table\Names;

/** Recording of calls in and out as bits of one field. */
final readonly class Recording implements FieldCodec
{
    public function theirs(): array
    {
        return ['tape'];
    }

    public function toSwitch(mixed $ours, Names $names): array
    {
        $recording = is_array($ours) ? $ours : [];

        return ['tape' => [
            'inward' => ($recording['in'] ?? false) === true ? 1 : 0,
            'outward' => ($recording['out'] ?? false) === true ? 1 : 0,
        ]];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $tape = is_array($record['tape'] ?? null) ? $record['tape'] : [];

        return ['in' => ($tape['inward'] ?? 0) === 1, 'out' => ($tape['outward'] ?? 0) === 1];
    }
}
