<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** `kind:key`, how one object of a book names another. */
final readonly class Reference implements \Stringable
{
    /** Calls ask for it far more often than references are made. */
    private string $text;

    private function __construct(public Kind $kind, public string $key)
    {
        $this->text = "{$kind->value}:{$key}";
    }

    public static function to(Kind $kind, string $key): self
    {
        return new self($kind, $key);
    }

    public static function of(BookObject $object): self
    {
        return new self($object->kind(), $object->key());
    }

    /** @throws UnusableBook when the text is not `kind:key` with a known kind */
    public static function parse(string $text, string $path = ''): self
    {
        [$kind, $key] = explode(':', $text, 2) + [1 => ''];
        $known = Kind::tryFrom($kind);
        if ($known === null || $key === '') {
            throw UnusableBook::malformed($path, 'a reference (kind:key)', $text);
        }

        return new self($known, $key);
    }

    public function equals(self $other): bool
    {
        return $this->kind === $other->kind && $this->key === $other->key;
    }

    public function __toString(): string
    {
        return $this->text;
    }
}
