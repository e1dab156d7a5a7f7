<?php

declare(strict_types=1);

namespace App\Switching\Table\Fields;

use App\Switching\Table\Names;

/** The same value under another name. */
final readonly class Plain extends OneField
{
    public function __construct(string $their, private mixed $whenMissing = null)
    {
        parent::__construct($their);
    }

    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => $ours];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        return $record[$this->their] ?? $this->whenMissing;
    }
}
