<?php

declare(strict_types=1);

namespace App\Switching\File\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;
use Jaunty\Core\Book\ClockTime;

/** Days of the week as `M T W T F - -`, a place each. */
final readonly class Initials extends OneField
{
    private const LETTERS = ['M', 'T', 'W', 'T', 'F', 'S', 'S'];

    public function toSwitch(mixed $ours, Names $names): array
    {
        if (! is_array($ours)) {
            return [$this->their => null];
        }
        $letters = array_map(
            static fn (string $letter, string $day): string => in_array($day, $ours, true) ? $letter : '-',
            self::LETTERS,
            ClockTime::DAYS,
        );

        return [$this->their => implode(' ', $letters)];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $said = $record[$this->their] ?? null;
        if (! is_string($said)) {
            return null;
        }
        $isOpen = static fn (int $place): bool => (explode(' ', $said)[$place] ?? '-') !== '-';

        return array_values(array_filter(ClockTime::DAYS, $isOpen, ARRAY_FILTER_USE_KEY));
    }
}
