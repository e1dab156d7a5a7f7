<?php

declare(strict_types=1);

namespace App\Switching\Table;

/** Under which key a write is sent, and in whose name. */
final readonly class Errand
{
    public function __construct(public string $key, public string $actingFor)
    {
    }

    public function at(string $version): self
    {
        return new self("{$this->key}-at-{$version}", $this->actingFor);
    }
}
