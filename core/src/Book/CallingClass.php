<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** How far a user may dial; each class includes the ones before it. */
enum CallingClass: string
{
    case Internal = 'internal';
    case Local = 'local';
    case National = 'national';
    case International = 'international';

    public function covers(self $wanted): bool
    {
        return $this->rank() >= $wanted->rank();
    }

    private function rank(): int
    {
        return match ($this) {
            self::Internal => 0,
            self::Local => 1,
            self::National => 2,
            self::International => 3,
        };
    }
}
