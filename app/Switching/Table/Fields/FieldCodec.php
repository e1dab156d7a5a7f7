<?php

declare(strict_types=1);

namespace App\Switching\Table\Fields;

use App\Switching\Table\Names;

/** How one field of the book stands in a record of the practice switch, both ways. */
interface FieldCodec
{
    /** @return list<string> the record's fields it is made of */
    public function theirs(): array;

    /** @return array<string, mixed> the record's fields for a value of ours */
    public function toSwitch(mixed $ours, Names $names): array;

    /** @param array<string, mixed> $record */
    public function fromSwitch(array $record, Names $names): mixed;
}
