<?php

declare(strict_types=1);

namespace App\Models;

/** `Sent` means: the switch was asked and its answer is not known yet. */
enum StepStatus: string
{
    case Waiting = 'waiting';
    case Sent = 'sent';
    case Done = 'done';
    case Failed = 'failed';
}
