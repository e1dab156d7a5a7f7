<?php

declare(strict_types=1);

namespace App\Book;

/** What is known of a number, beside the customer in scope. */
enum Known: string
{
    case Free = 'free';
    case Theirs = 'theirs';
    /** In their book, and another carrier's still. */
    case Awaited = 'awaited';
    case Taken = 'taken';
    case Unknown = 'unknown';

    /** @param bool $comesOver whether it is meant to come over from another carrier */
    public function mayStand(bool $comesOver): bool
    {
        return match ($this) {
            self::Free, self::Theirs => true,
            self::Awaited, self::Unknown => $comesOver,
            self::Taken => false,
        };
    }

    /** Why it cannot be in service with this customer: the end of a sentence that begins with the number. */
    public function whyNotOurs(): string
    {
        return match ($this) {
            self::Taken => 'is another customer\'s of ours. Choose another number.',
            self::Awaited => 'is still with its old carrier: it can be in service once ours says that it came over.',
            default => 'is not ours: order it into stock first, or say "porting in" where it comes over from another '
                . 'carrier.',
        };
    }
}
