<?php

declare(strict_types=1);

namespace App\Switching\File\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;

/** True and false as YES and NO. */
final readonly class YesNo extends OneField
{
    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => $ours === true ? 'YES' : 'NO'];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        return ($record[$this->their] ?? 'NO') === 'YES';
    }
}
