<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;

/** A telephone number without its plus. */
final readonly class Telephone extends OneField
{
    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => is_string($ours) ? ltrim($ours, '+') : null];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $said = $record[$this->their] ?? null;

        return is_string($said) && $said !== '' ? "+{$said}" : null;
    }
}
