<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Book\User;

/** What the same digits come to in two books, for users who are alike in both. */
final readonly class DialContrast
{
    /** @param non-empty-list<User> $users */
    public function __construct(
        public array $users,
        public string $digits,
        public Dialled $before,
        public Dialled $after,
    ) {
    }
}
