<?php

declare(strict_types=1);

namespace App\Models;

enum OrderState: string
{
    /** For somebody who may order as much. */
    case Waiting = 'waiting';
    /** Whether the carrier has it is not known, until it answers. */
    case Sent = 'sent';
    case Ordered = 'ordered';
    case Refused = 'refused';
}
