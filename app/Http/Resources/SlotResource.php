<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Jaunty\Core\Templates\Slot;

/** A question of a template, as a form needs it. */
final class SlotResource
{
    /** @return array<string, mixed> */
    public static function of(Slot $slot): array
    {
        return [
            'key' => $slot->key,
            'question' => $slot->question,
            'type' => $slot->type->value,
            'help' => $slot->help,
            'example' => $slot->example,
            'optional' => $slot->optional || $slot->default !== null,
            'default' => $slot->default,
            'options' => array_map(
                static fn (string $value, string $said): array => ['value' => $value, 'said' => $said],
                array_keys($slot->options),
                $slot->options,
            ),
            'columns' => array_map(self::of(...), $slot->columns),
        ];
    }
}
