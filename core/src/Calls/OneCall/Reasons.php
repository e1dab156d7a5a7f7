<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Event;
use Jaunty\Core\Calls\Law\Next;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\Place;
use Jaunty\Core\Calls\Law\State;

/** Why a call went where it went, in words for whoever reads a trace. */
final readonly class Reasons
{
    private const USUAL = [
        'always' => 'always sent on',
        'doNotDisturb' => 'do not disturb is on',
        'unreachable' => 'no phone can be reached',
        'siteOut' => 'the site is out',
        'onACall' => 'on a call',
        'busy' => 'no line is free',
        'refused' => 'no route or trunk lets the call out',
        'closed' => 'closed by its hours',
        'holiday' => 'a holiday by its hours',
        'closedByHand' => 'closed by hand',
        'nobodySignedIn' => 'nobody is signed in',
        'allUnreachable' => 'nobody can be reached',
        'allBusy' => 'everybody is on a call',
        'full' => 'the queue is full',
        'waitedLongest' => 'the longest wait is over',
        'endless' => 'nothing ends the wait',
        'switchedOff' => 'switched off',
        'noAnswerSet' => 'no answer is set for these hours',
        'notInService' => 'the number is not in service',
        'oldCarrier' => 'the number is still with the old carrier',
        'notDelivered' => 'the trunk does not deliver the number as it is set',
        'platformOut' => 'the platform is out',
        'blocked' => 'the caller is blocked',
        'caller' => '',
        'ended' => 'the list goes no further',
        'announced' => 'the announcement has played',
        'played' => 'the announcement has played',
        'leads' => '',
        'zero' => '0 was pressed',
        'messageIn' => '',
        'messageRefused' => 'the mailbox is full',
        'rings' => '',
        'answered' => '',
        'outsideMailbox' => 'its own mailbox took the call',
    ];

    public function __construct(private CallBook $book)
    {
    }

    /** @param int $seconds spent in the state */
    public function of(State $from, Event $event, int $seconds, Next $next): string
    {
        $why = match (true) {
            $event->kind === 'unanswered' => 'no answer after ' . $this->rings($seconds),
            $event->kind === 'left' && $seconds > 0 => "{$this->rings($seconds)} are too short to be answered",
            $event->kind === 'left' => 'nothing can ring',
            $event->kind === 'ended' && $from->position > 0 => '',
            $event->kind === 'rule' => "caller rule {$event->detail}",
            $event->kind === 'answer' => $this->answer($from, $event->detail),
            $event->kind === 'key' => "key {$event->detail}",
            $event->kind === 'exitKey' => 'the exit key',
            $event->kind === 'dialled' => 'its extension was dialled',
            $event->kind === 'named' => 'the name was spelled',
            $event->kind === 'wrong' => 'wrong key ' . ($from->wrong + 1) . ' of ' . $this->book->get($from->object, Menu::class)->invalidAllowed,
            $event->kind === 'silence' && $from->place === Place::Menu => "silence after play {$from->play} of {$this->book->get($from->object, Menu::class)->plays}",
            $event->kind === 'silence' => 'silence',
            default => self::USUAL[$event->kind] ?? $event->kind,
        };
        if ($from->place === Place::Transfer && $event->kind !== 'answered') {
            $why = "{$this->label($from->callee)} did not take it: {$why}";
        }
        if ($next->outcome === Outcome::DeadEnd && ! in_array($event->kind, ['switchedOff', 'noAnswerSet', 'ended'], true)) {
            return ($why === '' ? '' : "{$why}, and ") . 'nothing is set for that';
        }

        return $why . ($next->state?->place === Place::Chain && $next->state->object === $from->object ? ', so ' . $this->place($next->state) : '');
    }

    private function place(State $state): string
    {
        $chain = $this->book->get($state->object, Chain::class);

        return ($state->position < count($chain->places) ? 'place ' . ($state->position + 1) : 'past the last place') . " of {$chain->name}";
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

    private function rings(int $seconds): string
    {
        $ring = $this->book->tenant()->secondsPerRing;
        $rings = intdiv($seconds, $ring);

        return $seconds % $ring !== 0 ? "{$seconds} s" : "{$rings} " . ($rings === 1 ? 'ring' : 'rings') . " ({$seconds} s)";
    }

    private function label(string $object): string
    {
        return $this->book->book()->find(Reference::parse($object))?->label() ?? $object;
    }
}
