<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Event;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Next;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\Place;
use Jaunty\Core\Calls\Law\State;

/** Why a call went where it went, in words for whoever reads a trace. */
final readonly class Reasons
{
    public function __construct(private CallBook $book)
    {
    }

    /** @param int $seconds spent in the state */
    public function of(State $from, Event $event, int $seconds, Next $next): string
    {
        $why = $this->why($from, $event, $seconds);
        if ($from->place === Place::Transfer && $event->kind !== EventKind::Answered) {
            $why = "{$this->label($from->callee)} did not take it: {$why}";
        }
        if (
            $next->outcome === Outcome::DeadEnd
            && ! in_array($event->kind, [EventKind::SwitchedOff, EventKind::NoAnswerSet, EventKind::Ended], true)
        ) {
            return ($why === '' ? '' : "{$why}, and ") . 'nothing is set for that';
        }

        return $why . (
            $next->state?->place === Place::Chain && $next->state->object === $from->object
            ? ', so ' . $this->place($next->state)
            : ''
        );
    }

    private function place(State $state): string
    {
        $chain = $this->book->get($state->object, Chain::class);

        return ($state->position < count($chain->places) ? 'place ' . ($state->position + 1) : 'past the last place')
            . " of {$chain->name}";
    }

    private function answer(State $from, string $item): string
    {
        foreach ($this->book->get($from->object, Attendant::class)->answers as $answer) {
            if ($answer['item'] === $item) {
                return "its answer for {$answer['when']}";
            }
        }

        return '';
    }

    /** Without a default: a new kind of event needs its words. */
    private function why(State $from, Event $event, int $seconds): string
    {
        return match ($event->kind) {
            EventKind::AllBusy => 'everybody is on a call',
            EventKind::AllUnreachable => 'nobody can be reached',
            EventKind::Always => 'always sent on',
            EventKind::Announced, EventKind::Played => 'the announcement has played',
            EventKind::Answer => $this->answer($from, $event->detail),
            EventKind::Answered, EventKind::Caller, EventKind::Leads, EventKind::MessageIn, EventKind::Rings,
            EventKind::Heard, EventKind::Joined => '',
            EventKind::Blocked => 'the caller is blocked',
            EventKind::Busy => 'no line is free',
            EventKind::Closed => 'closed by its hours',
            EventKind::ClosedByHand => 'closed by hand',
            EventKind::Dialled => 'its extension was dialled',
            EventKind::ComesBack => "nobody took it up in {$seconds} s",
            EventKind::DoNotDisturb => 'do not disturb is on',
            EventKind::Ended => $from->position > 0 ? '' : 'the list goes no further',
            EventKind::Endless => 'nothing ends the wait',
            EventKind::ExitKey => 'the exit key',
            EventKind::Full => $from->place === Place::Conference ? 'the room is full' : 'the queue is full',
            EventKind::Holiday => 'a holiday by its hours',
            EventKind::Key => "key {$event->detail}",
            EventKind::Left => $seconds > 0
                ? "{$this->rings($seconds)} are too short to be answered"
                : 'nothing can ring',
            EventKind::MessageRefused => 'the mailbox is full',
            EventKind::Named => 'the name was spelled',
            EventKind::NoAnswerSet => 'no answer is set for these hours',
            EventKind::NobodySignedIn => 'nobody is signed in',
            EventKind::NotDelivered => 'the trunk does not deliver the number as it is set',
            EventKind::NotInService => 'the number is not in service',
            EventKind::OldCarrier => 'the number is still with the old carrier',
            EventKind::OnACall => 'on a call',
            EventKind::OutsideMailbox => 'its own mailbox took the call',
            EventKind::Parked => 'it comes back to whoever parked it',
            EventKind::PickedUp => 'a call was parked there',
            EventKind::PlatformOut => 'the platform is out',
            EventKind::Refused => 'no route or trunk lets the call out',
            EventKind::Rule => "caller rule {$event->detail}",
            EventKind::Silence => $from->place === Place::Menu
                ? "silence after play {$from->play} of {$this->book->get($from->object, Menu::class)->plays}"
                : 'silence',
            EventKind::SiteOut => 'the site is out',
            EventKind::SwitchedOff => 'switched off',
            EventKind::Unanswered => 'no answer after ' . $this->rings($seconds),
            EventKind::Unheard => 'no telephone of the zone can speak',
            EventKind::Unreachable => 'no phone can be reached',
            EventKind::WaitedLongest => 'the longest wait is over',
            EventKind::Wrong => 'wrong key '
                . ($from->wrong + 1)
                . ' of '
                . $this->book->get($from->object, Menu::class)->invalidAllowed,
            EventKind::Zero => '0 was pressed',
        };
    }

    private function rings(int $seconds): string
    {
        $ring = $this->book->tenant()->secondsPerRing;
        $rings = intdiv($seconds, $ring);

        return $seconds % $ring !== 0
            ? "{$seconds} s"
            : "{$rings} " . ($rings === 1 ? 'ring' : 'rings') . " ({$seconds} s)";
    }

    private function label(string $object): string
    {
        return $this->book->book()->find(Reference::parse($object))?->label() ?? $object;
    }
}
