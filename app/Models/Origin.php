<?php

declare(strict_types=1);

namespace App\Models;

/** Where a recording comes from. */
enum Origin: string
{
    case Upload = 'upload';
    case Microphone = 'microphone';
    case Studio = 'studio';
}
