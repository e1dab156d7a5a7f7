<?php

declare(strict_types=1);

namespace App\Audit;

/** Why many customers are audited at once. */
enum AuditReason: string
{
    case Asked = 'asked';
    case Nightly = 'nightly';
    /** A date has changed at some customers'; their books are read anew, and nothing is asked of the switch. */
    case NewDay = 'new day';
    /** A threshold was set. */
    case Threshold = 'threshold';

    public function readsTheSwitch(): bool
    {
        return $this === self::Asked || $this === self::Nightly;
    }
}
