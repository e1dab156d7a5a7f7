<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\FieldCodec;
use App\Switching\Table\Names;

/** A postal address; the switch keeps none rather than an empty one. */
final readonly class Address implements FieldCodec
{
    private const WORDS = [
        'street' => 'line', 'city' => 'town', 'subdivision' => 'county', 'postcode' => 'code', 'country' => 'land',
    ];

    public function theirs(): array
    {
        return ['postal'];
    }

    public function toSwitch(mixed $ours, Names $names): array
    {
        $address = is_array($ours) ? array_filter($ours, is_string(...)) : [];
        $postal = [];
        foreach (self::WORDS as $our => $their) {
            if (isset($address[$our])) {
                $postal[$their] = $address[$our];
            }
        }

        return ['postal' => $postal === [] ? null : $postal];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $postal = is_array($record['postal'] ?? null) ? $record['postal'] : [];

        return array_map(static fn (string $their): mixed => $postal[$their] ?? null, self::WORDS);
    }
}
