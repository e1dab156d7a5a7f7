<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;

/** Some of a few words as bits of one number, in the order of our list. */
final readonly class Words extends OneField
{
    /** @param list<string> $words ours */
    public function __construct(string $their, private array $words)
    {
        parent::__construct($their);
    }

    public function toSwitch(mixed $ours, Names $names): array
    {
        $bits = 0;
        foreach ($this->words as $place => $word) {
            $bits |= is_array($ours) && in_array($word, $ours, true) ? 1 << $place : 0;
        }

        return [$this->their => $bits];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $bits = is_int($record[$this->their] ?? null) ? $record[$this->their] : 0;

        return array_values(array_filter(
            $this->words,
            static fn (int $place): bool => ($bits >> $place & 1) === 1,
            ARRAY_FILTER_USE_KEY,
        ));
    }
}
