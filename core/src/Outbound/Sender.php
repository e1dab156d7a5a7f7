<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\Law\CallBook;

/** Who sends a call out: whose class counts, who may be blocked from a route, and whose number is shown. */
final readonly class Sender
{
    /** @param ?string $reference null for nobody in particular */
    private function __construct(
        public ?string $reference,
        public string $name,
        public CallingClass $class,
        public ?User $user,
    ) {
    }

    /** @param Reference $who a user, or what leads calls on: a group, chain, menu, attendant, mailbox or number */
    public static function of(Book $book, Reference $who): self
    {
        $object = $book->find($who);

        return new self(
            (string) $who,
            $object?->label() ?? (string) $who,
            CallBook::open($book)->classOf((string) $who),
            $object instanceof User ? $object : null,
        );
    }

    /** Somebody with a class and nothing else. */
    public static function ofClass(CallingClass $class): self
    {
        return new self(null, "somebody of class {$class->value}", $class, null);
    }
}
