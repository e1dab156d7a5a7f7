<?php

declare(strict_types=1);

namespace App\Switching\Table\Fields;

use App\Switching\Table\Names;

/** A record within a record; unset stays unset. */
final readonly class Nested extends OneField
{
    /** @param array<string, FieldCodec> $fields by our field within it */
    public function __construct(string $their, private array $fields)
    {
        parent::__construct($their);
    }

    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => is_array($ours) ? self::encode($this->fields, $ours, $names) : null];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $inner = $record[$this->their] ?? null;

        return is_array($inner) ? self::decode($this->fields, $inner, $names) : null;
    }

    /**
     * @param  array<string, FieldCodec>  $fields
     * @param  array<mixed>  $ours
     * @return array<string, mixed>
     */
    public static function encode(array $fields, array $ours, Names $names): array
    {
        $theirs = [];
        foreach ($fields as $our => $codec) {
            $theirs += $codec->toSwitch($ours[$our] ?? null, $names);
        }

        return $theirs;
    }

    /**
     * @param  array<string, FieldCodec>  $fields
     * @param  array<mixed>  $theirs
     * @return array<string, mixed>
     */
    public static function decode(array $fields, array $theirs, Names $names): array
    {
        $record = array_filter($theirs, is_string(...), ARRAY_FILTER_USE_KEY);

        return array_map(static fn (FieldCodec $codec): mixed => $codec->fromSwitch($record, $names), $fields);
    }
}
