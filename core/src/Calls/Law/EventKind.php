<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

/**
 * What can happen to a call (design 03). A new kind is an error of analysis until the machine says where it leads, the
 * map how it is labelled, and the trace why it went so.
 */
enum EventKind: string
{
    case AllBusy = 'allBusy';
    case AllUnreachable = 'allUnreachable';
    case Always = 'always';
    case Announced = 'announced';
    case Answer = 'answer';
    case Answered = 'answered';
    case Blocked = 'blocked';
    case Busy = 'busy';
    case Caller = 'caller';
    case Closed = 'closed';
    case ClosedByHand = 'closedByHand';
    case Dialled = 'dialled';
    case DoNotDisturb = 'doNotDisturb';
    case Ended = 'ended';
    case Endless = 'endless';
    case ExitKey = 'exitKey';
    case Full = 'full';
    case Holiday = 'holiday';
    case Key = 'key';
    case Leads = 'leads';
    case Left = 'left';
    case MessageIn = 'messageIn';
    case MessageRefused = 'messageRefused';
    case Named = 'named';
    case NoAnswerSet = 'noAnswerSet';
    case NobodySignedIn = 'nobodySignedIn';
    case NotDelivered = 'notDelivered';
    case NotInService = 'notInService';
    case OldCarrier = 'oldCarrier';
    case OnACall = 'onACall';
    case OutsideMailbox = 'outsideMailbox';
    case PlatformOut = 'platformOut';
    case Played = 'played';
    case Refused = 'refused';
    case Rings = 'rings';
    case Rule = 'rule';
    case Silence = 'silence';
    case SiteOut = 'siteOut';
    case SwitchedOff = 'switchedOff';
    case Unanswered = 'unanswered';
    case Unreachable = 'unreachable';
    case WaitedLongest = 'waitedLongest';
    case Wrong = 'wrong';
    case Zero = 'zero';

    /** Whether somebody, or something that answers like somebody, has the call now. */
    public function takes(): bool
    {
        return $this === self::Answered || $this === self::OutsideMailbox;
    }
}
