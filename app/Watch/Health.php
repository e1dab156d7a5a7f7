<?php

declare(strict_types=1);

namespace App\Watch;

/** How something is that the house leans on. What could not be looked at is unknown, and never passes for well. */
enum Health: string
{
    case Well = 'well';
    case Poor = 'poor';
    case Failing = 'failing';
    case Unknown = 'unknown';
}
