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
    case ComesBack = 'comesBack';
    case Dialled = 'dialled';
    case DoNotDisturb = 'doNotDisturb';
    case Ended = 'ended';
    case Endless = 'endless';
    case ExitKey = 'exitKey';
    case Full = 'full';
    case Heard = 'heard';
    case Holiday = 'holiday';
    case Joined = 'joined';
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
    case Parked = 'parked';
    case PickedUp = 'pickedUp';
    case PlatformOut = 'platformOut';
    case Played = 'played';
    case Refused = 'refused';
    case Rings = 'rings';
    case Rule = 'rule';
    case Silence = 'silence';
    case SiteOut = 'siteOut';
    case SwitchedOff = 'switchedOff';
    case Unanswered = 'unanswered';
    case Unheard = 'unheard';
    case Unreachable = 'unreachable';
    case WaitedLongest = 'waitedLongest';
    case Wrong = 'wrong';
    case Zero = 'zero';

    /**
     * What happened, after "after": each kind in words of its own.
     *
     * @param  string  $detail  the key, the digits or whom, in words
     */
    public function inWords(string $detail): string
    {
        return trim(match ($this) {
            self::AllBusy => 'everybody busy',
            self::AllUnreachable => 'nobody reachable',
            self::Always => "a forward of every call {$detail}",
            self::Announced => "the announcement {$detail}",
            self::Answer => "the answer {$detail}",
            self::Answered => "an answer by {$detail}",
            self::Blocked => "a block of {$detail}",
            self::Busy => "a busy line {$detail}",
            self::Caller => "caller {$detail}",
            self::Closed => "closed hours {$detail}",
            self::ClosedByHand => "closing by hand {$detail}",
            self::Dialled => "dialling {$detail}",
            self::ComesBack => "parking with nobody to take it up {$detail}",
            self::DoNotDisturb => "do not disturb {$detail}",
            self::Ended => "the last place {$detail}",
            self::Endless => "a wait without end {$detail}",
            self::ExitKey => "exit key {$detail}",
            self::Full => "a full queue {$detail}",
            self::Heard => "a page {$detail}",
            self::Holiday => "a holiday {$detail}",
            self::Joined => "entering {$detail}",
            self::Key => "key {$detail}",
            self::Leads => "arriving {$detail}",
            self::Left => "no ring {$detail}",
            self::MessageIn => "a message {$detail}",
            self::MessageRefused => "a full mailbox {$detail}",
            self::Named => "spelling {$detail}",
            self::NoAnswerSet => "no answer set {$detail}",
            self::NobodySignedIn => "nobody signed in {$detail}",
            self::NotDelivered => "a number that is not delivered {$detail}",
            self::NotInService => "a number out of service {$detail}",
            self::OldCarrier => "the old carrier {$detail}",
            self::OnACall => "a line on a call {$detail}",
            self::OutsideMailbox => "a mailbox that is not ours {$detail}",
            self::Parked => "parking {$detail}",
            self::PickedUp => "taking up a call {$detail}",
            self::PlatformOut => "a platform that is out {$detail}",
            self::Played => "what is played {$detail}",
            self::Refused => "a refusal {$detail}",
            self::Rings => "ringing {$detail}",
            self::Rule => "caller rule {$detail}",
            self::Silence => "no key {$detail}",
            self::SiteOut => "a site that is out {$detail}",
            self::SwitchedOff => "switching off {$detail}",
            self::Unanswered => "no answer {$detail}",
            self::Unheard => "a page that nobody hears {$detail}",
            self::Unreachable => "no phone reachable {$detail}",
            self::WaitedLongest => "the longest wait {$detail}",
            self::Wrong => "wrong keys {$detail}",
            self::Zero => "pressing 0 {$detail}",
        });
    }

    /** Whether somebody, or something that answers like somebody, has the call now. */
    public function takes(): bool
    {
        return $this === self::Answered || $this === self::OutsideMailbox;
    }
}
