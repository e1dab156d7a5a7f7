<?php

declare(strict_types=1);

namespace App\Book;

use Jaunty\Core\Book\NumberStatus;

/** What is known of a number, beside the customer in scope. */
enum Known: string
{
    case Free = 'free';
    case Theirs = 'theirs';
    /** In their book, and another carrier's still. */
    case Awaited = 'awaited';
    case Ordered = 'ordered';
    case Reserved = 'reserved';
    /** In their book, and given back to the carrier or gone to another. */
    case Cancelled = 'cancelled';
    /** Let go by another customer not long ago. */
    case Resting = 'resting';
    case Taken = 'taken';
    case Unknown = 'unknown';

    /** Whether it may stand in the customer's book so: one that is not ours to use yet, out of service. */
    public function mayStand(NumberStatus $as): bool
    {
        return match ($this) {
            self::Free, self::Theirs => true,
            self::Awaited, self::Ordered, self::Reserved, self::Cancelled => ! $as->serves(),
            self::Unknown => $as === NumberStatus::PortingIn,
            self::Resting, self::Taken => false,
        };
    }

    /** Why it cannot be in service with this customer: the end of a sentence that begins with the number. */
    public function whyNotOurs(): string
    {
        return match ($this) {
            self::Taken => 'is another customer\'s of ours. Choose another number.',
            self::Awaited => 'is still with its old carrier: it can be in service once ours says that it came over.',
            self::Ordered => 'is ordered and not ours yet: it can be in service once the carrier has delivered it.',
            self::Reserved => 'is only reserved: order it, and it can be in service.',
            self::Cancelled => 'is ours no longer: it was given back to the carrier, or went to another.',
            self::Resting => 'rests: another customer had it not long ago. A lead technician can end its rest.',
            default => 'is not ours: order it into stock first, or say "porting in" where it comes over from another '
                . 'carrier.',
        };
    }
}
