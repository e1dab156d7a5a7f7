<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

/** How a call ends (design 03 section 6). */
enum Outcome: string
{
    case Answered = 'answered';
    case MessageIn = 'messageIn';
    case MessageRefused = 'messageRefused';
    case OutsideMailbox = 'outsideMailbox';
    case AnnouncementAndRelease = 'announcementAndRelease';
    case Released = 'released';
    case Busy = 'busy';
    case NotDelivered = 'notDelivered';
    case OldCarrier = 'oldCarrier';
    case NotInService = 'notInService';
    case Refused = 'refused';
    case LineRings = 'lineRings';
    case DeadEnd = 'deadEnd';
    case Loop = 'loop';
    case Overrun = 'overrun';
}
