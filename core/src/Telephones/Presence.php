<?php

declare(strict_types=1);

namespace Jaunty\Core\Telephones;

/** Whether a telephone is at its switch. */
enum Presence: string
{
    case Registered = 'registered';
    case Lost = 'lost';
    /** It came, and its secret was not the right one. */
    case Refused = 'refused';
    case Never = 'never';
}
