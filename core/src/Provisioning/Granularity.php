<?php

declare(strict_types=1);

namespace Jaunty\Core\Provisioning;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;

/**
 * How finely a switch stores what the book says to the second. Rounding happens visibly, while editing, never silently
 * in a push.
 */
final readonly class Granularity
{
    /** @param int $ringSeconds seconds to a ring, where the switch stores whole rings; 1 where it stores seconds */
    public function __construct(public int $ringSeconds)
    {
    }

    /**
     * The book with ring times rounded up to what the switch can hold.
     *
     * @param  ?list<Reference>  $only  the objects whose times are; null for all
     */
    public function fit(Book $book, ?array $only = null): Book
    {
        $users = $only === null
            ? $book->ofKind(Kind::User)
            : array_filter(array_map($book->find(...), array_filter(
                $only,
                static fn (Reference $each): bool => $each->kind === Kind::User,
            )));
        foreach ($users as $user) {
            $fields = $user->toArray();
            $legs = is_array($fields['legs']) ? $fields['legs'] : [];
            $rounded = array_map($this->leg(...), $legs);
            if ($rounded !== $legs) {
                $fields = ['id' => $user->id(), 'legs' => $rounded] + $fields;
                $book = $book->with(Kind::User->read(Node::of($fields)));
            }
        }

        return $book;
    }

    private function leg(mixed $leg): mixed
    {
        if (! is_array($leg) || ! is_int($leg['seconds'] ?? null)) {
            return $leg;
        }
        $leg['seconds'] = intdiv($leg['seconds'] + $this->ringSeconds - 1, $this->ringSeconds) * $this->ringSeconds;

        return $leg;
    }
}
