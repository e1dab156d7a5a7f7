<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reads;
use Jaunty\Core\Book\Reference;

/** In what an edited book is not as it was: a rule that read none of it finds what it found. */
final readonly class Edited
{
    /** @param array<string, true> $parts as Reads names them */
    private function __construct(private array $parts, private bool $isWhole)
    {
    }

    public static function between(Book $one, Book $other): self
    {
        $parts = [];
        foreach (Kind::listed() as $kind) {
            $was = $one->ofKind($kind);
            $is = $other->ofKind($kind);
            if ($was === $is) {
                continue;
            }
            $changed = self::changed(self::named($was), self::named($is));
            // Where only their order is another, whoever goes through them all may say so.
            if ($changed !== [] || array_keys(self::named($was)) !== array_keys(self::named($is))) {
                $parts += $changed + [$kind->value => true, Inspection::ANYTHING => true];
            }
        }

        return new self($parts, serialize($one->tenant) !== serialize($other->tenant));
    }

    public function isNothing(): bool
    {
        return $this->parts === [] && ! $this->isWhole;
    }

    /** With what was worked out from the book, where that is no longer as it was. */
    public function and(string $workedOut): self
    {
        return new self($this->parts + [$workedOut => true], $this->isWhole);
    }

    public function touches(Reads $reads): bool
    {
        return $this->isWhole || array_intersect_key($reads->parts, $this->parts) !== [];
    }

    /**
     * @param  list<BookObject>  $objects
     * @return array<string, BookObject> by reference
     */
    private static function named(array $objects): array
    {
        $named = [];
        foreach ($objects as $object) {
            $named[(string) Reference::of($object)] = $object;
        }

        return $named;
    }

    /**
     * @param  array<string, BookObject>  $was
     * @param  array<string, BookObject>  $is
     * @return array<string, true>
     */
    private static function changed(array $was, array $is): array
    {
        $parts = [];
        foreach ($was + $is as $reference => $ignored) {
            [$before, $after] = [$was[$reference] ?? null, $is[$reference] ?? null];
            // As they are written: `==` would take extension 0201 for 201.
            if (
                $before !== $after && ($before === null || $after === null || serialize($before) !== serialize($after))
            ) {
                $parts[$reference] = true;
                if (serialize($before?->links()) !== serialize($after?->links())) {
                    $parts[Inspection::LINKS] = true;
                }
            }
        }

        return $parts;
    }
}
