<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;

/** Which callers: a digit map, or a word in capitals for those a map cannot say. */
final readonly class Callers extends OneField
{
    private const WORDS = ['withheld' => 'HIDDEN', 'anyone' => 'ALL'];

    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => is_string($ours) ? self::WORDS[$ours] ?? $ours : null];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $word = array_search($record[$this->their] ?? null, self::WORDS, true);

        return $word === false ? $record[$this->their] ?? null : $word;
    }
}
