<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

/** Where dialled digits end. */
enum DialEnd: string
{
    case Emergency = 'emergency';
    case Inside = 'inside';
    case Outside = 'outside';
    /** A code of the customer's (docs/features.md). */
    case Feature = 'feature';
    /** More digits could make it something. */
    case Waits = 'waits';
    case Nowhere = 'nowhere';

    public function words(): string
    {
        return match ($this) {
            self::Emergency => 'goes out as an emergency call',
            self::Inside => 'stays inside',
            self::Outside => 'goes out',
            self::Feature => 'is a code',
            self::Waits => 'waits for more digits',
            self::Nowhere => 'goes nowhere',
        };
    }
}
