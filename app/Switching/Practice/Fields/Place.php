<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;

/**
 * A destination as the id of a record under its kind's word (`{"person": id}`), `{"dial": digits}` or `{"act": word}`.
 */
final readonly class Place extends OneField
{
    private const RECORDS = [
        'user' => 'person', 'mailbox' => 'box', 'group' => 'band', 'chain' => 'ladder', 'attendant' => 'greeter',
        'menu' => 'keypad', 'announcement' => 'notice', 'line' => 'socket',
        'sharedLine' => 'party', 'conference' => 'table',
        'pickUpGroup' => 'net', 'parkPlace' => 'bay', 'pageZone' => 'horn',
    ];

    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => self::encode($ours, $names)];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        return self::decode($record[$this->their] ?? null, $names);
    }

    /** @return ?array<string, string> */
    public static function encode(mixed $destination, Names $names): ?array
    {
        if (! is_string($destination)) {
            return null;
        }
        [$kind, $rest] = explode(':', $destination, 2) + [1 => ''];

        return match (true) {
            isset(self::RECORDS[$kind]) => [self::RECORDS[$kind] => $names->idOf($destination)],
            $kind === 'outside' => ['dial' => ltrim($rest, '+')],
            default => ['act' => $destination],
        };
    }

    public static function decode(mixed $place, Names $names): ?string
    {
        if (! is_array($place)) {
            return null;
        }
        $word = array_key_first($place);
        $value = $word === null ? null : $place[$word];
        if (! is_string($value)) {
            return null;
        }

        return match (true) {
            in_array($word, self::RECORDS, true) => $names->referenceOf($value),
            $word === 'dial' => "outside:+{$value}",
            default => $value,
        };
    }
}
