<?php

declare(strict_types=1);

namespace App\Models;

/** How far a port is at the carrier. */
enum PortState: string
{
    case Asked = 'asked';
    case Dated = 'dated';
    case Rejected = 'rejected';
    case Done = 'done';
}
