<?php

declare(strict_types=1);

namespace App\Switching\File\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;

/** Seconds as `1:35`. */
final readonly class MinutesAndSeconds extends OneField
{
    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => is_int($ours) ? sprintf('%d:%02d', intdiv($ours, 60), $ours % 60) : null];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $said = $record[$this->their] ?? null;

        return is_string($said) && preg_match('/^(\d+):([0-5]\d)$/D', $said, $found) === 1
            ? (int) $found[1] * 60 + (int) $found[2]
            : $said;
    }
}
