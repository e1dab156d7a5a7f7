<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\Book\Announcement;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Conference;
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\PageZone;
use Jaunty\Core\Book\ParkPlace;
use Jaunty\Core\Book\RingStyle;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Event;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Keypad;
use Jaunty\Core\Calls\Law\NumberRules;
use Jaunty\Core\Calls\Law\Place;
use Jaunty\Core\Calls\Law\Ringing;
use Jaunty\Core\Calls\Law\RingLeg;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\Law\WayOut;

/** Says which event a script's world gives in a state, and in which second. Where it leads is the Machine's to say. */
final readonly class Resolver
{
    private GroupCalls $groups;

    private ChainCalls $chains;

    private MenuCalls $menus;

    private DirectoryCalls $directory;

    public function __construct(
        private CallBook $book,
        private World $world,
        private NumberRules $numbers,
        private Script $script,
        private Keypad $keypad,
    ) {
        $this->groups = new GroupCalls($book, $world, $script->order, $keypad);
        $this->chains = new ChainCalls($book, $world, $this->groups);
        $this->menus = new MenuCalls($book, $keypad);
        $this->directory = new DirectoryCalls($book, $keypad);
    }

    public static function of(CallBook $book, Script $script, Keypad $keypad): self
    {
        return new self(
            $book,
            new World($book, new WayOut($book), $script->world),
            new NumberRules($book, $script->at),
            $script,
            $keypad,
        );
    }

    public function resolve(State $state, int $now): Resolved
    {
        return match ($state->place) {
            Place::Number => $this->number($state, $now),
            Place::User => $this->user($state, $now),
            Place::Outside => $this->outside($state, $now),
            Place::Group => $this->groups->own($state, $now),
            Place::Chain => $this->chains->resolve($state, $now),
            Place::Attendant => $this->attendant($state, $now),
            Place::Menu => $this->menus->resolve($state, $now),
            Place::Transfer => $this->transfer($state, $now),
            Place::Mailbox => $this->mailbox($state, $now),
            Place::Announcement => $this->announcement($state, $now),
            Place::Line => new Resolved(Event::of(EventKind::Rings), $now, [
                new TraceStep($now, $state->object, 'rings'),
            ]),
            Place::Directory => $this->directory->resolve($state, $now),
            Place::Conference => $this->conference($state, $now),
            Place::Park => $this->park($state, $now),
            Place::Page => $this->page($state, $now),
        };
    }

    private function number(State $state, int $now): Resolved
    {
        $number = $this->book->get($state->object, Number::class);
        $event = $this->numbers->settled($number, $this->world->says('platform') === 'out')
            ?? $this->numbers->forCaller($number, $this->script->from);

        return new Resolved($event, $now, [new TraceStep($now, $state->object, 'enters')]);
    }

    private function user(State $state, int $now): Resolved
    {
        $user = $this->book->get($state->object, User::class);
        $entered = new TraceStep($now, $state->object, 'is called');
        if ($user->status !== UserStatus::Active) {
            $event = $this->has($user, 'always', $state) ? Event::of(EventKind::Always) : $this->unreachable($user);

            return new Resolved($event, $now, [$entered]);
        }
        $legs = $this->book->legs($user);
        $reachable = array_filter($legs, fn (Leg $leg): bool => $this->world->isReachable($user, $leg));
        $event = match (true) {
            $this->has($user, 'always', $state) => Event::of(EventKind::Always),
            ! $this->world->isDisturbable($user) => Event::of(EventKind::DoNotDisturb),
            $reachable === [] => $this->unreachable($user),
            $this->world->isOnACall($user) && $this->has($user, 'onACall', $state) => Event::of(EventKind::OnACall),
            ! $this->world->hasFreeLine($user) => Event::of(EventKind::Busy),
            default => null,
        };
        if ($event !== null) {
            return new Resolved($event, $now, [$entered]);
        }
        $ringLegs = array_map(fn (Leg $leg): RingLeg => $this->world->leg($user, $leg, $state->inside), $legs);
        $ringing = $this->book->handling($user)->ring === RingStyle::InOrder
            ? Ringing::inOrder($ringLegs)
            : Ringing::together($ringLegs);
        $event = $ringing->kind === EventKind::Unreachable
            ? $this->unreachable($user)
            : Event::of($ringing->kind, $ringing->who);

        return new Resolved($event, $now + $ringing->seconds, [$entered, ...TraceStep::rings($ringing->began, $now)]);
    }

    private function has(User $user, string $condition, State $state): bool
    {
        return $this->book->treatment($user, $condition, $state->inside) !== null;
    }

    /** A site that is out tries its own destination first. */
    private function unreachable(User $user): Event
    {
        if (
            $this->world->isSiteOut($user)
            && $user->site !== null
            && $this->book->get((string) $user->site, Site::class)->siteOut !== null
        ) {
            return Event::of(EventKind::SiteOut);
        }

        return Event::of(EventKind::Unreachable);
    }

    private function outside(State $state, int $now): Resolved
    {
        $number = substr($state->object, strlen('outside:'));
        $ringing = Ringing::together([
            $leg = $this->world->outside(
                $number,
                $state->sender,
                $state->inside,
                CallBook::OUTSIDE_SECONDS,
                CallBook::OUTSIDE_MAILBOX_AFTER,
                false,
                $state->needsRoute,
            ),
        ]);

        $steps = $leg->does === 'busy'
            ? [new TraceStep($now, $state->object, 'is busy')]
            : TraceStep::rings($ringing->began, $now);

        return new Resolved(
            Event::of($leg->does === 'refused' ? EventKind::Refused : $ringing->kind, $ringing->who),
            $now + $ringing->seconds,
            $steps,
        );
    }

    private function attendant(State $state, int $now): Resolved
    {
        $attendant = $this->book->get($state->object, Attendant::class);
        $entered = new TraceStep($now, $state->object, 'answers');
        $item = $attendant->enabled ? $this->book->answer($attendant) : null;
        foreach ($attendant->answers as $answer) {
            if ($answer['item'] === $item) {
                return new Resolved(
                    Event::of(EventKind::Answer, $item),
                    $now + $this->book->seconds($answer['greeting']),
                    [$entered],
                );
            }
        }

        return new Resolved(Event::of($attendant->enabled ? EventKind::NoAnswerSet : EventKind::SwitchedOff), $now, [
            $entered,
        ]);
    }

    private function transfer(State $state, int $now): Resolved
    {
        $seconds = $this->book->transferSeconds();
        $ringing = Ringing::together($this->world->devices($state->callee, $seconds));
        $steps = [new TraceStep($now, $state->callee, 'is offered'), ...TraceStep::rings($ringing->began, $now)];

        return new Resolved(Event::of($ringing->kind, $ringing->who), $now + $ringing->seconds, $steps);
    }

    private function mailbox(State $state, int $now): Resolved
    {
        $mailbox = $this->book->get($state->object, Mailbox::class);
        $entered = new TraceStep($now, $state->object, 'answers');
        if (! $mailbox->enabled) {
            return new Resolved(Event::of(EventKind::SwitchedOff), $now, [$entered]);
        }
        $key = $mailbox->zero === null
            ? null
            : $this->keypad->next($now, $now + $this->book->seconds($mailbox->greeting), $now, '0');
        if ($key !== null) {
            return new Resolved(
                Event::of(EventKind::Zero),
                $key[1],
                [$entered, new TraceStep($key[1], $state->object, 'key 0')],
                true,
            );
        }

        return new Resolved(Event::of($mailbox->full ? EventKind::MessageRefused : EventKind::MessageIn), $now, [
            $entered,
        ]);
    }

    private function conference(State $state, int $now): Resolved
    {
        $room = $this->book->get($state->object, Conference::class);

        return new Resolved(Event::of(match (true) {
            ! $room->enabled => EventKind::SwitchedOff,
            $this->world->says($state->object) === 'full' => EventKind::Full,
            default => EventKind::Joined,
        }), $now, [new TraceStep($now, $state->object, 'is called')]);
    }

    private function park(State $state, int $now): Resolved
    {
        $place = $this->book->get($state->object, ParkPlace::class);
        if ($this->world->says($state->object) === 'holds') {
            return new Resolved(Event::of(EventKind::PickedUp), $now, [
                new TraceStep($now, $state->object, 'gives its call'),
            ]);
        }
        $parked = [new TraceStep($now, $state->object, 'holds the call')];

        return $place->comesBackTo === null && $state->sender === ''
            ? new Resolved(Event::of(EventKind::Parked), $now, $parked)
            : new Resolved(Event::of(EventKind::ComesBack), $now + $place->comesBackAfter, $parked);
    }

    private function page(State $state, int $now): Resolved
    {
        $heard = [];
        foreach ($this->book->get($state->object, PageZone::class)->members as $member) {
            $user = $this->book->get((string) $member['who'], User::class);
            if ($this->world->speaks($user)) {
                $heard[] = new TraceStep($now, (string) $member['who'], 'speaks');
            }
        }

        return new Resolved(
            Event::of($heard === [] ? EventKind::Unheard : EventKind::Heard),
            $now,
            [new TraceStep($now, $state->object, 'is called'), ...$heard],
        );
    }

    private function announcement(State $state, int $now): Resolved
    {
        $announcement = $this->book->get($state->object, Announcement::class);

        return new Resolved(Event::of(EventKind::Played), $now + $this->book->seconds($announcement->prompt), [
            new TraceStep($now, $state->object, 'plays'),
        ]);
    }
}
