<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\TwoBooks;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Book\Reference;

/**
 * One name for an object of either of two books: objects pair by id where both have one, else by kind and key. A prompt
 * that says something else in the second book is another prompt.
 */
final readonly class CommonNames
{
    /**
     * @param array<string, string> $others what the second book's objects are called, where it is not their own name
     */
    private function __construct(private array $others)
    {
    }

    /** The first book's: every object is called what it is. */
    public static function own(): self
    {
        return new self([]);
    }

    /** The second book's. */
    public static function of(Book $first, Book $second): self
    {
        $byId = [];
        foreach ($first->objects() as $object) {
            if ($object->id() !== null) {
                $byId[$object->id()] = $object;
            }
        }
        $others = [];
        foreach ($second->objects() as $object) {
            $name = (string) Reference::of($object);
            $twin = $object->id() === null ? null : $byId[$object->id()] ?? null;
            $sameKey = $first->find(Reference::of($object));
            if ($twin !== null && $twin->kind() === $object->kind()) {
                $name = (string) Reference::of($twin);
            } elseif ($sameKey !== null && $sameKey->id() !== null && $object->id() !== null) {
                $name .= ' (another)';
            } else {
                $twin = $sameKey;
            }
            $others[(string) Reference::of($object)] = $name
                . (self::saysOtherwise($twin, $object) ? ' (as changed)' : '');
        }

        return new self($others);
    }

    /** @param string $object `kind:key`, or `outside:+E164` */
    public function name(string $object): string
    {
        return $this->others[$object] ?? $object;
    }

    private static function saysOtherwise(?BookObject $one, BookObject $other): bool
    {
        if (! $one instanceof Prompt || ! $other instanceof Prompt) {
            return false;
        }

        // Two recordings are told apart by their bytes where those are known; without audio, by the script.
        return $one->audio === null && $other->audio === null
            ? $one->script !== $other->script
            : $one->audio !== $other->audio;
    }
}
