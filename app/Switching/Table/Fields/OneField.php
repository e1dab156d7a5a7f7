<?php

declare(strict_types=1);

namespace App\Switching\Table\Fields;

/** A field of ours that is one field of the record. */
abstract readonly class OneField implements FieldCodec
{
    public function __construct(protected string $their)
    {
    }

    final public function theirs(): array
    {
        return [$this->their];
    }
}
