<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;

/** Where a condition leads, for calls from outside and from inside: two places. */
final readonly class Treatment extends OneField
{
    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => self::encode($ours, $names)];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        return self::decode($record[$this->their] ?? null, $names);
    }

    /** @return ?array{out: ?array<string, string>, in: ?array<string, string>} */
    public static function encode(mixed $ours, Names $names): ?array
    {
        return match (true) {
            is_string($ours) => ['out' => Place::encode($ours, $names), 'in' => Place::encode($ours, $names)],
            is_array($ours) => [
                'out' => Place::encode($ours['outside'] ?? null, $names),
                'in' => Place::encode($ours['inside'] ?? null, $names),
            ],
            default => null,
        };
    }

    /** @return array{outside: ?string, inside: ?string} */
    public static function decode(mixed $theirs, Names $names): array
    {
        $sides = is_array($theirs) ? $theirs : [];

        return [
            'outside' => Place::decode($sides['out'] ?? null, $names),
            'inside' => Place::decode($sides['in'] ?? null, $names),
        ];
    }
}
