<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

/** One of the cases of an enum. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Choice extends Field
{
    /** @param \BackedEnum $default what holds where the book says nothing; with $mayBeUnset only a case of the enum */
    public function __construct(
        public readonly \BackedEnum $default,
        public readonly bool $mayBeUnset = false,
        ?string $name = null,
    ) {
        parent::__construct(false, $name);
    }

    public function read(Node $node, string $field): ?\BackedEnum
    {
        return $this->mayBeUnset && $node->isNullOrMissing($field)
            ? null
            : $node->choice($field, $this->default::class, $this->default);
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof \BackedEnum ? $value->value : null;
    }

    public function mayBeUnset(): bool
    {
        return $this->mayBeUnset;
    }

    public function schema(Form $form): array
    {
        return [
            'enum' => array_keys($this->words()),
            'default' => $this->mayBeUnset ? null : $this->default->value,
            'x-words' => $this->words(),
        ];
    }

    /** @return array<string, string> */
    private function words(): array
    {
        $words = [];
        foreach ($this->default::cases() as $case) {
            $words[(string) $case->value] = $case instanceof InWords
                ? $case->inWords()
                : lcfirst(Schema::spelt((string) $case->value));
        }

        return $words;
    }
}
