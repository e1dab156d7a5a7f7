<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

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
    case PickedUp = 'pickedUp';
    case Parked = 'parked';
    case Paged = 'paged';
    case SignedIn = 'signedIn';
    case InConference = 'inConference';
    case DeadEnd = 'deadEnd';
    case Loop = 'loop';
    case Overrun = 'overrun';

    /** What it is to the caller: a person, a mailbox, outside, released or lost; the same words as on a week strip. */
    public function sort(string $target = ''): string
    {
        return match ($this) {
            self::Answered => str_starts_with($target, 'outside:') ? 'outside' : 'person',
            self::LineRings, self::PickedUp, self::Parked, self::Paged, self::SignedIn, self::InConference => 'person',
            self::MessageIn => 'mailbox',
            self::OutsideMailbox => 'outside',
            self::AnnouncementAndRelease, self::Released, self::Busy => 'released',
            self::MessageRefused, self::NotDelivered, self::OldCarrier, self::NotInService, self::Refused,
            self::DeadEnd, self::Loop, self::Overrun => 'lost',
        };
    }

    /** Fit to stand before the name of who or what. */
    public function words(): string
    {
        return match ($this) {
            self::Answered => 'answered by',
            self::MessageIn => 'leaves a message with',
            self::MessageRefused => 'is refused by the full',
            self::OutsideMailbox => 'taken by the mailbox of',
            self::AnnouncementAndRelease => 'released after',
            self::Released => 'released by',
            self::Busy => 'hears busy from',
            self::NotDelivered => 'is not delivered to',
            self::OldCarrier => 'is still with the old carrier of',
            self::NotInService => 'not in service:',
            self::Refused => 'has no way out to',
            self::LineRings => 'rings',
            self::PickedUp => 'takes up the call of',
            self::Parked => 'is parked at',
            self::Paged => 'is heard in',
            self::SignedIn => 'is signed in at',
            self::InConference => 'is in the conference',
            self::DeadEnd => 'ends nowhere, at',
            self::Loop => 'goes round for ever, through',
            self::Overrun => 'is transferred too often, before',
        };
    }
}
