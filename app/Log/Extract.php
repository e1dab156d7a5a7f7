<?php

declare(strict_types=1);

namespace App\Log;

/** Which entries a customer is told of: what was done for them, not how it came about. */
final readonly class Extract
{
    /** By what is done; each with the message that says it in the customer's language. */
    public const MESSAGES = [
        'revision entered' => 'entered', 'push asked for' => 'pushed', 'push stopped' => 'stopped',
        'PIN made' => 'pinMade', 'PIN shown' => 'pinShown', 'book signed' => 'signed',
        'kept a recording' => 'recorded', 'took an older recording again' => 'recordedBefore',
        'ordered a port' => 'ported', 'moved to another switch' => 'moved', 'exported a book' => 'exportedBook',
        'exported calls' => 'exportedCalls',
    ];

    public static function tells(Entry $entry): bool
    {
        return isset(self::MESSAGES[$entry->what]);
    }

    public static function message(Entry $entry): string
    {
        return self::MESSAGES[$entry->what] ?? '';
    }
}
