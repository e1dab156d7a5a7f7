<?php

declare(strict_types=1);

namespace App\Models;

enum RegistrationState: string
{
    case Filed = 'filed';
    case Shown = 'shown';
    case Refused = 'refused';
}
