<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/** What a customer said, checked against a template's slots. */
final readonly class Answers
{
    /** @param array<string, array<string, string>> $parts by slot, then part */
    private function __construct(private array $parts)
    {
    }

    /**
     * @param  array<string, string>  $given  by slot key; a slot without one counts as unanswered
     *
     * @throws UnusableAnswers with every fault at once
     */
    public static function check(Template $template, array $given): self
    {
        $parts = [];
        $faults = [];
        foreach ($template->slots as $slot) {
            try {
                $parts[$slot->key] = $slot->type->read($given[$slot->key] ?? '');
            } catch (UnusableAnswer $fault) {
                $faults[$slot->key] = $fault->getMessage();
            }
        }
        if ($faults !== []) {
            throw new UnusableAnswers($faults);
        }

        return new self($parts);
    }

    /**
     * Puts answers where a template's fields name slots: `{"slot": "name"}` gives the whole answer, `{"slot":
     * "messages.slug"}` a part of it, `{"join": ["user:", {"slot": "messages.slug"}]}` text made of pieces.
     *
     * @throws UnusableTemplate when a slot or part does not exist
     */
    public function fill(mixed $value, string $path): mixed
    {
        if (! is_array($value)) {
            return $value;
        }
        if (array_keys($value) === ['slot'] && is_string($value['slot'])) {
            return $this->part($value['slot'], $path);
        }
        if (array_keys($value) === ['join'] && is_array($value['join'])) {
            return implode('', array_map(fn (mixed $piece): string => $this->piece($piece, $path), $value['join']));
        }
        $filled = [];
        foreach ($value as $field => $inner) {
            $filled[$field] = $this->fill($inner, "{$path}.{$field}");
        }

        return $filled;
    }

    private function piece(mixed $piece, string $path): string
    {
        $filled = $this->fill($piece, $path);

        return is_scalar($filled) ? (string) $filled : '';
    }

    private function part(string $name, string $path): string
    {
        [$slot, $part] = explode('.', $name, 2) + [1 => 'value'];
        $parts = $this->parts[$slot] ?? throw UnusableTemplate::unknownSlot($path, $slot);

        return $parts[$part] ?? throw UnusableTemplate::unknownPart($path, $slot, $part);
    }
}
