<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Practice\Names;

/** The same value under another name. */
final readonly class Plain implements FieldCodec
{
    public function __construct(private string $their, private mixed $whenMissing = null)
    {
    }

    public function theirs(): array
    {
        return [$this->their];
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
