<?php

declare(strict_types=1);

namespace App\Switching\Table\Fields;

use App\Switching\Table\Names;
use Jaunty\Core\Book\UnusableBook;

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
        $said = $record[$this->their] ?? null;
        $word = array_search($said, $this->words, true);
        if ($word === false && $said !== null) {
            // A word that is not ours would pass for the default, and so for the same.
            throw UnusableBook::notOneOf(
                $this->their,
                is_scalar($said) ? (string) $said : get_debug_type($said),
                array_map(strval(...), array_values($this->words)),
            );
        }

        return $word === false ? ($this->canBeUnset ? null : array_key_first($this->words)) : $word;
    }
}
