<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** In which order a hunt group rings its members. */
enum GroupOrder: string
{
    case Simultaneous = 'simultaneous';
    case Sequential = 'sequential';
    case RoundRobin = 'roundRobin';
    case LongestIdle = 'longestIdle';
    case Weighted = 'weighted';
}
