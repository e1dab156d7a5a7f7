<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

/** How much a finding weighs. */
enum Severity: string
{
    /** Calls are lost, or emergency calls fail. */
    case Blocker = 'blocker';
    /** Callers or users get the wrong thing. */
    case Error = 'error';
    /** A trap: right today, wrong on some day or in some state. */
    case Warning = 'warning';
    /** Worth a look. */
    case Note = 'note';

    /** 3 for a blocker down to 0 for a note. */
    public function weight(): int
    {
        return match ($this) {
            self::Blocker => 3,
            self::Error => 2,
            self::Warning => 1,
            self::Note => 0,
        };
    }
}
