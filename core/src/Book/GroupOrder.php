<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\InWords;

/** In which order a hunt group rings its members. */
enum GroupOrder: string implements InWords
{
    case Simultaneous = 'simultaneous';
    case Sequential = 'sequential';
    case RoundRobin = 'roundRobin';
    case LongestIdle = 'longestIdle';
    case Weighted = 'weighted';

    public function inWords(): string
    {
        return match ($this) {
            self::Simultaneous => 'all at once',
            self::Sequential => 'top down',
            self::RoundRobin => 'taking turns',
            self::LongestIdle => 'longest rested',
            self::Weighted => 'by share',
        };
    }
}
