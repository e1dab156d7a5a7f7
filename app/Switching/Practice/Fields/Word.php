<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Practice\Names;

/** One of a few words, each with another on the switch. */
final readonly class Word extends OneField
{
    /**
     * @param  array<string, int|string>  $words  theirs by ours, the default first
     * @param  bool  $canBeUnset  whether none of them is an answer too
     */
    public function __construct(string $their, private array $words, private bool $canBeUnset = false)
    {
        parent::__construct($their);
    }

    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => is_string($ours) ? $this->words[$ours] ?? null : null];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $word = array_search($record[$this->their] ?? null, $this->words, true);

        return $word === false ? ($this->canBeUnset ? null : array_key_first($this->words)) : $word;
    }
}
