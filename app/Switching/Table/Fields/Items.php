<?php

declare(strict_types=1);

namespace App\Switching\Table\Fields;

use App\Switching\Table\Names;

/** A list of small records, each field of an item with a codec of its own. */
final readonly class Items extends OneField
{
    /** @param array<string, FieldCodec> $fields by our field of an item */
    public function __construct(string $their, private array $fields)
    {
        parent::__construct($their);
    }

    public function toSwitch(mixed $ours, Names $names): array
    {
        $items = [];
        foreach (is_array($ours) ? $ours : [] as $item) {
            $items[] = Nested::encode($this->fields, is_array($item) ? $item : [], $names);
        }

        return [$this->their => $items];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $items = [];
        foreach (is_array($record[$this->their] ?? null) ? $record[$this->their] : [] as $item) {
            $items[] = Nested::decode($this->fields, is_array($item) ? $item : [], $names);
        }

        return $items;
    }
}
