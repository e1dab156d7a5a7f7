<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;

/** True and false as 1 and 0. */
final readonly class Bit extends OneField
{
    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => $ours === true ? 1 : 0];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        return ($record[$this->their] ?? 0) === 1;
    }
}
