<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

use Jaunty\Core\Book\Announcement;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\ExtensionReach;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\GroupOrder;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\RingStyle;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\TierTwo;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Hours\State as HoursState;

/** Says which event a script's world gives in a state, and in which second. Where it leads is the Machine's to say. */
final readonly class Resolver
{
    public function __construct(private CallBook $book, private World $world, private NumberRules $numbers, private Script $script, private Keypad $keypad)
    {
    }

    public static function of(CallBook $book, Script $script, Keypad $keypad): self
    {
        return new self($book, new World($book, new WayOut($book), $script->world), new NumberRules($book, $script->at), $script, $keypad);
    }

    public function resolve(State $state, int $now): Resolved
    {
        return match ($state->place) {
            Place::Number => $this->number($state, $now),
            Place::User => $this->user($state, $now),
            Place::Outside => $this->outside($state, $now),
            Place::Group => $this->group($state, $now),
            Place::Chain => $this->chain($state, $now),
            Place::Attendant => $this->attendant($state, $now),
            Place::Menu => $this->menu($state, $now),
            Place::Transfer => $this->transfer($state, $now),
            Place::Mailbox => $this->mailbox($state, $now),
            Place::Announcement => $this->announcement($state, $now),
            Place::Line => new Resolved(Event::of('rings'), $now, [new TraceStep($now, $state->object, 'rings')]),
            Place::Directory => new Resolved(Event::of('silence'), $now + CallBook::DIRECTORY_SECONDS, [new TraceStep($now, $state->object, 'directory')]),
        };
    }

    private function number(State $state, int $now): Resolved
    {
        $number = $this->book->get($state->object, Number::class);
        $event = $this->numbers->settled($number, $this->world->says('platform') === 'out') ?? $this->numbers->forCaller($number, $this->script->from);

        return new Resolved($event, $now, [new TraceStep($now, $state->object, 'enters')]);
    }

    private function user(State $state, int $now): Resolved
    {
        $user = $this->book->get($state->object, User::class);
        $entered = new TraceStep($now, $state->object, 'is called');
        if ($user->status !== UserStatus::Active) {
            $event = $this->has($user, 'always', $state) ? Event::of('always') : $this->unreachable($user);

            return new Resolved($event, $now, [$entered]);
        }
        $legs = $this->book->legs($user);
        $reachable = array_filter($legs, fn (Leg $leg): bool => $this->world->isReachable($user, $leg));
        $event = match (true) {
            $this->has($user, 'always', $state) => Event::of('always'),
            ! $this->world->isDisturbable($user) => Event::of('doNotDisturb'),
            $reachable === [] => $this->unreachable($user),
            $this->world->isOnACall($user) && $this->has($user, 'onACall', $state) => Event::of('onACall'),
            ! $this->world->hasFreeLine($user) => Event::of('busy'),
            default => null,
        };
        if ($event !== null) {
            return new Resolved($event, $now, [$entered]);
        }
        $ringLegs = array_map(fn (Leg $leg): RingLeg => $this->world->leg($user, $leg, $state->inside), $legs);
        $ringing = $this->book->handling($user)->ring === RingStyle::InOrder ? Ringing::inOrder($ringLegs) : Ringing::together($ringLegs);
        $event = $ringing->kind === 'unreachable' ? $this->unreachable($user) : Event::of($ringing->kind, $ringing->who);

        return new Resolved($event, $now + $ringing->seconds, [$entered, ...$this->rings($ringing->began, $now)]);
    }

    private function has(User $user, string $condition, State $state): bool
    {
        return $this->book->treatment($user, $condition, $state->inside) !== null;
    }

    /** A site that is out tries its own destination first. */
    private function unreachable(User $user): Event
    {
        if ($this->world->isSiteOut($user) && $user->site !== null && $this->book->get((string) $user->site, Site::class)->siteOut !== null) {
            return Event::of('siteOut');
        }

        return Event::of('unreachable');
    }

    private function outside(State $state, int $now): Resolved
    {
        $number = substr($state->object, strlen('outside:'));
        $ringing = Ringing::together([
            $leg = $this->world->outside($number, $state->sender, $state->inside, CallBook::OUTSIDE_SECONDS, CallBook::OUTSIDE_MAILBOX_AFTER, false, $state->needsRoute),
        ]);

        $steps = $leg->does === 'busy' ? [new TraceStep($now, $state->object, 'is busy')] : $this->rings($ringing->began, $now);

        return new Resolved(Event::of($leg->does === 'refused' ? 'refused' : $ringing->kind, $ringing->who), $now + $ringing->seconds, $steps);
    }

    private function group(State $state, int $now): Resolved
    {
        $group = $this->book->get($state->object, Group::class);
        $entered = new TraceStep($now, $state->object, 'is called');
        $case = $this->caseBeforeOffers($group);
        if ($case !== null) {
            return new Resolved(Event::of($case), $now, [$entered]);
        }
        if ($group->queue !== null) {
            return $this->queue($state, $group, $now, $entered);
        }
        $isSimultaneous = $group->order === GroupOrder::Simultaneous;
        $oneOffer = $isSimultaneous && $group->tierTwo === TierTwo::Unavailable ? $group->noAnswerSeconds : null;
        $hunt = new Hunt($this->book, $this->world, $group, $state->inside, $group->noAnswerSeconds, $oneOffer === null ? $group->rotations : null, false, $oneOffer, $this->script->order[$state->object] ?? []);
        [$kind, $who, $second, $began] = $hunt->run();

        return new Resolved(Event::of($kind, $who), $now + $second, [$entered, ...$this->rings($began, $now)]);
    }

    private function caseBeforeOffers(Group $group): ?string
    {
        $object = "group:{$group->key}";
        $hours = HoursState::plain($this->book->hours($group->schedule, $this->book->zoneOf($group->site)));
        if (! $group->enabled) {
            return 'switchedOff';
        }
        if ($group->handClosable ? $this->world->says($object) === 'closedByHand' : $group->closedByHand) {
            return 'closedByHand';
        }
        if ($hours !== HoursState::OPEN) {
            return $hours;
        }

        return $this->nobodyToOffer($group);
    }

    private function nobodyToOffer(Group $group): ?string
    {
        $signedIn = [];
        foreach (Hunt::members($group) as $member) {
            $availability = $this->world->availability($group, $member);
            if ($availability !== 'signedOut') {
                $signedIn[] = $availability;
            }
        }

        return match (true) {
            $signedIn === [] => 'nobodySignedIn',
            array_unique($signedIn) === ['unreachable'] => 'allUnreachable',
            in_array('available', $signedIn, true) => null,
            // A queue waits while all are busy, unless it is told otherwise.
            $group->queue !== null && $group->otherwise->of('allBusy') === null => null,
            default => 'allBusy',
        };
    }

    private function queue(State $state, Group $group, int $now, TraceStep $entered): Resolved
    {
        $queue = $group->queue ?? throw new \LogicException('no queue');
        if ($queue->most < 1 || $this->world->says($state->object) === 'full') {
            return new Resolved(Event::of('full'), $now, [$entered]);
        }
        $hunt = new Hunt($this->book, $this->world, $group, $state->inside, $queue->longestWait, null, true, null, $this->script->order[$state->object] ?? []);
        [$kind, $who, $second, $began] = $hunt->run();
        $isTaken = $kind === 'answered' || $kind === 'outsideMailbox';
        $until = $kind === 'endless' ? PHP_INT_MAX : $now + $second;
        $key = $queue->exitKey === null || ($isTaken && $second === 0) ? null : $this->keypad->next($now, $until, $now, $queue->exitKey);
        $steps = [$entered, new TraceStep($now, $state->object, 'waits in the queue')];
        if ($key !== null) {
            $before = array_values(array_filter($began, static fn (array $leg): bool => $now + $leg[0] <= $key[1]));

            return new Resolved(Event::of('exitKey'), $key[1], [...$steps, ...$this->rings($before, $now), new TraceStep($key[1], $state->object, "key {$key[0]}")], true);
        }
        if ($kind === 'endless') {
            $atOnce = array_values(array_filter($began, static fn (array $leg): bool => $leg[0] === 0));

            return new Resolved(Event::of('endless'), $now, [...$steps, ...$this->rings($atOnce, $now)]);
        }

        return new Resolved(Event::of($kind === 'unanswered' ? 'waitedLongest' : $kind, $who), $now + $second, [...$steps, ...$this->rings($began, $now)]);
    }

    private function chain(State $state, int $now): Resolved
    {
        $chain = $this->book->get($state->object, Chain::class);
        $steps = $state->position <= 0 && ($state->position === -1 || $chain->announcement === null) ? [new TraceStep($now, $state->object, 'begins')] : [];
        if ($state->position === -1 && $chain->announcement !== null) {
            $announcement = $this->book->get((string) $chain->announcement, Announcement::class);

            return new Resolved(Event::of('announced'), $now + $this->book->seconds($announcement->prompt), [...$steps, new TraceStep($now, (string) $chain->announcement, 'plays')]);
        }
        $place = $chain->places[$state->position] ?? null;
        if ($place === null) {
            return new Resolved(Event::of('ended'), $now, $steps);
        }
        $to = $place['to'];
        $seconds = $this->book->placeSeconds($place);
        if ($to === null) {
            return new Resolved(Event::of('left'), $now, $steps);
        }
        if ($to->outside !== null) {
            return $this->place(Ringing::together([$this->world->outside($to->outside, $state->object, $state->inside, $seconds, CallBook::OUTSIDE_MAILBOX_AFTER, false)]), $seconds, $now, $steps);
        }
        if ($to->word === 'again' || $to->word === 'back') {
            return new Resolved(Event::of('ended'), $now, $steps);
        }
        switch ($to->object?->kind) {
            case Kind::User:
                return $this->place(Ringing::together($this->devices((string) $to, $seconds)), $seconds, $now, [...$steps, new TraceStep($now, (string) $to, 'is offered')]);
            case Kind::Group:
                return $this->groupPlace((string) $to, $state, $seconds, $now, $steps);
            case Kind::Announcement:
                $announcement = $this->book->get((string) $to, Announcement::class);
                if ($announcement->then === null) {
                    return new Resolved(Event::of('played'), $now + $this->book->seconds($announcement->prompt), [...$steps, new TraceStep($now, (string) $to, 'plays')]);
                }
        }

        return new Resolved(Event::of('leads'), $now, $steps);
    }

    /** @param list<TraceStep> $steps */
    private function place(Ringing $ringing, int $seconds, int $now, array $steps): Resolved
    {
        if ($ringing->began === [] || $seconds < $this->book->tenant()->secondsPerRing) {
            return new Resolved(Event::of('left'), $now + ($ringing->began === [] ? 0 : $seconds), $steps);
        }

        return new Resolved(Event::of($ringing->kind, $ringing->who), $now + $ringing->seconds, [...$steps, ...$this->rings($ringing->began, $now)]);
    }

    /** @return list<RingLeg> the devices of a user's present state; none where an offer would not ring them */
    private function devices(string $reference, int $seconds): array
    {
        $user = $this->book->get($reference, User::class);
        if ($user->status !== UserStatus::Active || ! $this->world->isDisturbable($user)) {
            return [];
        }
        $devices = array_values(array_filter($this->book->legs($user), static fn (Leg $leg): bool => $leg->legKind !== LegKind::Outside));

        return array_map(fn (Leg $leg): RingLeg => $this->world->device($user, $leg, $seconds), $devices);
    }

    /** @param list<TraceStep> $steps */
    private function groupPlace(string $reference, State $state, int $seconds, int $now, array $steps): Resolved
    {
        $group = $this->book->get($reference, Group::class);
        $steps[] = new TraceStep($now, $reference, 'is offered');
        if ($this->caseBeforeOffers($group) !== null || $this->isAllBusy($group)) {
            return new Resolved(Event::of('left'), $now, $steps);
        }
        $limit = min($seconds, $group->noAnswerSeconds ?? $seconds);
        $isSimultaneous = $group->order === GroupOrder::Simultaneous && $group->tierTwo === TierTwo::Unavailable;
        $hunt = new Hunt($this->book, $this->world, $group, $state->inside, $limit, $isSimultaneous ? null : $group->rotations, false, $isSimultaneous ? $limit : null, $this->script->order[$reference] ?? []);
        [$kind, $who, $second, $began] = $hunt->run();

        return new Resolved(Event::of($kind, $who), $now + $second, [...$steps, ...$this->rings($began, $now)]);
    }

    private function isAllBusy(Group $group): bool
    {
        foreach (Hunt::members($group) as $member) {
            if ($this->world->availability($group, $member) === 'available') {
                return false;
            }
        }

        return true;
    }

    private function attendant(State $state, int $now): Resolved
    {
        $attendant = $this->book->get($state->object, Attendant::class);
        $entered = new TraceStep($now, $state->object, 'answers');
        $item = $attendant->enabled ? $this->book->answer($attendant) : null;
        foreach ($attendant->answers as $answer) {
            if ($answer['item'] === $item) {
                return new Resolved(Event::of('answer', $item), $now + $this->book->seconds($answer['greeting']), [$entered]);
            }
        }

        return new Resolved(Event::of($attendant->enabled ? 'noAnswerSet' : 'switchedOff'), $now, [$entered]);
    }

    private function menu(State $state, int $now): Resolved
    {
        $menu = $this->book->get($state->object, Menu::class);
        $steps = $state->afterWrong ? [] : [new TraceStep($now, $state->object, "play {$state->play}")];
        $promptEnds = $now + ($state->afterWrong ? $this->book->seconds($menu->invalidPrompt) : 0) + $this->book->seconds($menu->prompt);
        $key = $this->keypad->next($now, $promptEnds + $menu->wait, $menu->wait > 0 ? $promptEnds : null);
        if ($key === null) {
            return new Resolved(Event::of('silence'), $promptEnds + $menu->wait, $steps);
        }
        [$digit, $at] = $key;
        [$event, $at] = $menu->dialExtensions['scope'] !== ExtensionReach::Off && ctype_digit($digit) && $this->couldBegin($menu, $digit)
            ? $this->collect($menu, $digit, $at)
            : [isset($menu->keys[$digit]) ? Event::of('key', $digit) : Event::of('wrong', $digit), $at];

        return new Resolved($event, $at, [...$steps, new TraceStep($at, $state->object, $event->kind === 'wrong' ? 'wrong key' : "key {$event->detail}")], true);
    }

    /** @return array{Event, int} */
    private function collect(Menu $menu, string $dialled, int $at): array
    {
        $most = $menu->dialExtensions['most'] ?? $this->book->tenant()->extensionLength;
        $pause = $menu->dialExtensions['interdigit'];
        while (strlen($dialled) < $most) {
            $key = $this->keypad->next($at, $at + $pause, $at);
            if ($key === null) {
                $at += $pause;

                break;
            }
            $at = $key[1];
            if ($key[0] === '#') {
                break;
            }
            $dialled .= $key[0];
        }
        if (strlen($dialled) === 1 && isset($menu->keys[$dialled])) {
            return [Event::of('key', $dialled), $at];
        }
        $holder = strlen($dialled) >= $menu->dialExtensions['least'] ? $this->book->dialled($menu, $dialled) : null;

        return [$holder === null ? Event::of('wrong', $dialled) : Event::of('dialled', $holder), $at];
    }

    private function couldBegin(Menu $menu, string $digit): bool
    {
        foreach (array_keys($this->book->extensions()) as $extension) {
            if (str_starts_with((string) $extension, $digit) && $this->book->dialled($menu, (string) $extension) !== null) {
                return true;
            }
        }

        return false;
    }

    private function transfer(State $state, int $now): Resolved
    {
        $seconds = $this->book->transferSeconds();
        $ringing = Ringing::together($this->devices($state->callee, $seconds));
        $steps = [new TraceStep($now, $state->callee, 'is offered'), ...$this->rings($ringing->began, $now)];

        return new Resolved(Event::of($ringing->kind, $ringing->who), $now + $ringing->seconds, $steps);
    }

    private function mailbox(State $state, int $now): Resolved
    {
        $mailbox = $this->book->get($state->object, Mailbox::class);
        $entered = new TraceStep($now, $state->object, 'answers');
        if (! $mailbox->enabled) {
            return new Resolved(Event::of('switchedOff'), $now, [$entered]);
        }
        $key = $mailbox->zero === null ? null : $this->keypad->next($now, $now + $this->book->seconds($mailbox->greeting), $now, '0');
        if ($key !== null) {
            return new Resolved(Event::of('zero'), $key[1], [$entered, new TraceStep($key[1], $state->object, 'key 0')], true);
        }

        return new Resolved(Event::of($mailbox->full ? 'messageRefused' : 'messageIn'), $now, [$entered]);
    }

    private function announcement(State $state, int $now): Resolved
    {
        $announcement = $this->book->get($state->object, Announcement::class);

        return new Resolved(Event::of('played'), $now + $this->book->seconds($announcement->prompt), [new TraceStep($now, $state->object, 'plays')]);
    }

    /**
     * @param  list<array{int, string}>  $began
     * @return list<TraceStep>
     */
    private function rings(array $began, int $now): array
    {
        return array_map(static fn (array $leg): TraceStep => new TraceStep($now + $leg[0], $leg[1], 'rings'), $began);
    }
}
