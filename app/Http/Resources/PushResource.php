<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Push;
use App\Models\PushStep;
use Illuminate\Support\Collection;

final class PushResource
{
    /**
     * @param  Collection<int, PushStep>  $steps
     * @return array<string, mixed>
     */
    public static function of(Push $push, Collection $steps): array
    {
        return [
            'id' => $push->id,
            'revision' => $push->revision,
            'whole' => $push->scope === null,
            'status' => $push->status->value,
            'reason' => $push->reason,
            'by' => $push->technician->name,
            'requestedAt' => $push->requested_at->toAtomString(),
            'endedAt' => $push->ended_at?->toAtomString(),
            'steps' => $steps->map(static fn (PushStep $step): array => [
                'position' => $step->position,
                'kind' => $step->kind->value,
                'object' => $step->object,
                'label' => $step->label,
                'fields' => array_keys($step->fields),
                'status' => $step->status->value,
                'attempts' => $step->attempts,
                'error' => $step->error,
            ])->values()->all(),
        ];
    }
}
