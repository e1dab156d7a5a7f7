<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

use Jaunty\Core\Book\Announcement;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\ExtensionReach;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\GroupOrder;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Member;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\RingStyle;
use Jaunty\Core\Book\SignInBy;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Hours\State as HoursState;

/**
 * Every event a free world may give in a state: whoever may be busy, away or signed out can be, and any key can be pressed.
 * What Resolver gives in any one world is among these, within their seconds (held by a law in the tests).
 */
final readonly class Choices
{
    public function __construct(private CallBook $book, private WayOut $wayOut, private NumberRules $numbers)
    {
    }

    /** @return list<Choice> */
    public function of(State $state): array
    {
        return match ($state->place) {
            Place::Number => $this->numbers->choices($this->book->get($state->object, Number::class)),
            Place::User => $this->user($state),
            Place::Outside => $this->outside($state),
            Place::Group => $this->group($state),
            Place::Chain => $this->chain($state),
            Place::Attendant => $this->attendant($state),
            Place::Menu => $this->menu($state),
            Place::Transfer => $this->transfer($state),
            Place::Mailbox => $this->mailbox($state),
            Place::Announcement => [Choice::passive(Event::of('played'), $this->book->seconds($this->book->get($state->object, Announcement::class)->prompt))],
            Place::Line => $this->line($state),
            Place::Directory => [Choice::passive(Event::of('silence'), CallBook::DIRECTORY_SECONDS)],
        };
    }

    /** @return list<Choice> */
    private function user(State $state): array
    {
        $user = $this->book->get($state->object, User::class);
        $has = fn (string $condition): bool => $this->book->treatment($user, $condition, $state->inside) !== null;
        if ($has('always')) {
            return [Choice::passive(Event::of('always'))];
        }
        $legs = $this->book->legs($user);
        if ($user->status !== UserStatus::Active || $legs === []) {
            return [Choice::passive(Event::of('unreachable')), ...($user->status === UserStatus::Active ? [Choice::world(Event::of('doNotDisturb'))] : [])];
        }
        $choices = [Choice::world(Event::of('doNotDisturb')), Choice::world(Event::of('busy'))];
        if ($has('onACall')) {
            $choices[] = Choice::world(Event::of('onACall'));
        }
        if (array_filter($legs, static fn (Leg $leg): bool => $leg->legKind === LegKind::Outside && $leg->number !== null) === []) {
            $choices[] = Choice::world(Event::of('unreachable'));
        }

        return [...$choices, ...$this->rings($this->legs($user, $legs, $state->inside), $this->book->handling($user)->ring === RingStyle::InOrder)];
    }

    /**
     * What can come of legs that ring.
     *
     * @param  list<RingLeg>  $legs  at their best: `answers` if they can ring at all
     * @return list<Choice>
     */
    private function rings(array $legs, bool $inOrder): array
    {
        $ringing = array_values(array_filter($legs, static fn (RingLeg $leg): bool => ! $leg->dropsOut()));
        $choices = [];
        $before = 0;
        foreach ($ringing as $leg) {
            $choices[] = Choice::world(Event::of('answered', $leg->object), 0, $before + $leg->seconds);
            if (str_starts_with($leg->object, 'outside:') && ! $leg->confirm) {
                $choices[] = Choice::world(Event::of('outsideMailbox', $leg->object), 0, $before + min($leg->mailboxAfter, $leg->seconds));
            }
            $before += $inOrder ? $leg->seconds : 0;
        }
        if ($ringing !== []) {
            $seconds = array_map(static fn (RingLeg $leg): int => $leg->seconds, $ringing);
            $choices[] = Choice::passive(Event::of('unanswered'), min($seconds), $inOrder ? array_sum($seconds) : max($seconds));
        } else {
            $choices[] = Choice::passive(Event::of($legs === [] || array_filter($legs, static fn (RingLeg $leg): bool => $leg->does !== 'unreachable') === [] ? 'unreachable' : 'busy'));
        }

        return $choices;
    }

    /**
     * @param  list<Leg>  $legs
     * @return list<RingLeg>
     */
    private function legs(User $user, array $legs, bool $inside, ?int $seconds = null): array
    {
        return array_map(function (Leg $leg) use ($user, $inside, $seconds): RingLeg {
            if ($leg->legKind !== LegKind::Outside) {
                return new RingLeg("user:{$user->key}", 'answers', $seconds ?? $leg->seconds);
            }

            return $leg->number === null
                ? new RingLeg("user:{$user->key}", 'unreachable', 0)
                : new RingLeg("outside:{$leg->number}", $this->wayOut->exists($leg->number, "user:{$user->key}", $inside, []) ? 'answers' : 'refused', $seconds ?? $leg->seconds, $leg->mailboxAfter, $leg->confirm);
        }, $legs);
    }

    /** @return list<Choice> */
    private function outside(State $state): array
    {
        if ($state->needsRoute && ! $this->wayOut->exists(substr($state->object, strlen('outside:')), $state->sender, $state->inside, [])) {
            return [Choice::passive(Event::of('refused'))];
        }

        return [
            Choice::world(Event::of('answered', $state->object), 0, CallBook::OUTSIDE_SECONDS),
            Choice::world(Event::of('outsideMailbox', $state->object), 0, CallBook::OUTSIDE_MAILBOX_AFTER),
            Choice::world(Event::of('busy')),
            Choice::passive(Event::of('unanswered'), CallBook::OUTSIDE_SECONDS),
        ];
    }

    /** @return list<Choice> */
    private function group(State $state): array
    {
        $group = $this->book->get($state->object, Group::class);
        $settled = $this->settled($group);
        $byHand = $group->handClosable && $settled !== 'switchedOff' ? [Choice::world(Event::of('closedByHand'))] : [];
        if ($settled !== null) {
            return [...$byHand, Choice::passive(Event::of($settled))];
        }
        $members = $this->members($group, $state->inside);

        return [...$byHand, ...$this->beforeOffers($group, $members), ...($group->queue === null ? $this->offers($members, $this->longest($group)) : $this->queue($group, $members))];
    }

    /** Why nobody is offered a call, whatever the world is like. */
    private function settled(Group $group): ?string
    {
        $hours = HoursState::plain($this->book->hours($group->schedule, $this->book->zoneOf($group->site)));

        return match (true) {
            ! $group->enabled => 'switchedOff',
            ! $group->handClosable && $group->closedByHand => 'closedByHand',
            $hours !== HoursState::OPEN => $hours,
            default => null,
        };
    }

    /**
     * @param  list<array{member: Member, canBeOut: bool, canBeIn: bool, canBeAway: bool, legs: list<RingLeg>}>  $members
     * @return list<Choice>
     */
    private function beforeOffers(Group $group, array $members): array
    {
        $out = array_filter($members, static fn (array $each): bool => ! $each['canBeOut']) === [];
        $mustBeOut = array_filter($members, static fn (array $each): bool => $each['canBeIn']) === [];
        $users = array_filter($members, static fn (array $each): bool => $each['canBeIn'] && $each['member']->who->outside === null);
        $onlyUsers = array_filter($members, static fn (array $each): bool => ! $each['canBeOut'] && $each['member']->who->outside !== null) === [];
        $away = array_filter($users, static fn (array $each): bool => $each['canBeAway']);
        $stuck = array_filter($members, static fn (array $each): bool => ! $each['canBeOut'] && ! $each['canBeAway']);
        $choices = [];
        if ($out) {
            $choices[] = $mustBeOut ? Choice::passive(Event::of('nobodySignedIn')) : Choice::world(Event::of('nobodySignedIn'));
        }
        if ($onlyUsers && $away !== [] && $stuck === []) {
            $mustBeAway = array_filter($users, static fn (array $each): bool => $each['legs'] !== []) === [];
            $choices[] = $mustBeAway ? Choice::passive(Event::of('allUnreachable')) : Choice::world(Event::of('allUnreachable'));
        }
        $canBeBusy = array_filter($users, static fn (array $each): bool => $each['legs'] !== []);
        if ($onlyUsers && $canBeBusy !== [] && ($group->queue === null || $group->otherwise->of('allBusy') !== null)) {
            $choices[] = Choice::world(Event::of('allBusy'));
        }

        return $choices;
    }

    /**
     * @param  list<array{member: Member, canBeOut: bool, canBeIn: bool, canBeAway: bool, legs: list<RingLeg>}>  $members
     * @param  ?int  $longest  seconds the offers can last; null for no end
     * @return list<Choice>
     */
    private function offers(array $members, ?int $longest): array
    {
        $choices = [];
        $canOffer = false;
        foreach ($members as $each) {
            if (! $each['canBeIn'] || $each['legs'] === []) {
                continue;
            }
            $canOffer = true;
            foreach ($each['legs'] as $leg) {
                if ($leg->dropsOut()) {
                    continue;
                }
                $choices["answered {$leg->object}"] = Choice::world(Event::of('answered', $leg->object), 0, $longest);
                if (str_starts_with($leg->object, 'outside:') && ! $leg->confirm) {
                    $choices["outsideMailbox {$leg->object}"] = Choice::world(Event::of('outsideMailbox', $leg->object), 0, $longest);
                }
            }
        }

        return $canOffer ? [...array_values($choices), Choice::passive(Event::of('unanswered'), 0, $longest)] : [];
    }

    /**
     * @param  list<array{member: Member, canBeOut: bool, canBeIn: bool, canBeAway: bool, legs: list<RingLeg>}>  $members
     * @return list<Choice>
     */
    private function queue(Group $group, array $members): array
    {
        $queue = $group->queue ?? throw new \LogicException('no queue');
        $this->book->reads($queue->greeting, $queue->comfort, $queue->music);
        $choices = $this->offers($members, $queue->longestWait);
        if ($choices === []) {
            return [];
        }
        array_pop($choices);
        $end = $queue->longestWait === null ? Choice::passive(Event::of('endless')) : Choice::passive(Event::of('waitedLongest'), $queue->longestWait);
        $exit = $queue->exitKey === null ? [] : [Choice::key(Event::of('exitKey'), 0, $queue->longestWait)];

        return $queue->most < 1 ? [Choice::passive(Event::of('full'))] : [...$choices, Choice::world(Event::of('full')), ...$exit, $end];
    }

    /** Seconds all offers of a group can last: every pass in full, cut by the limit. */
    private function longest(Group $group): int
    {
        $members = Hunt::members($group);
        $offers = $group->order === GroupOrder::Simultaneous ? 2 : max(1, count($members));
        $passes = $group->rotations * $offers * $group->ringsEach * $this->book->tenant()->secondsPerRing;
        if ($group->noAnswerSeconds === null) {
            return $passes;
        }

        return $group->order === GroupOrder::Simultaneous ? $group->noAnswerSeconds : min($passes, $group->noAnswerSeconds);
    }

    /** @return list<array{member: Member, canBeOut: bool, canBeIn: bool, canBeAway: bool, legs: list<RingLeg>}> */
    private function members(Group $group, bool $inside): array
    {
        $members = [];
        foreach (Hunt::members($group) as $member) {
            if ($member->who->outside !== null) {
                $does = $this->wayOut->exists($member->who->outside, "group:{$group->key}", $inside, []) ? 'answers' : 'refused';
                $members[] = ['member' => $member, 'canBeOut' => ! $member->signedIn, 'canBeIn' => $member->signedIn, 'canBeAway' => false, 'legs' => [new RingLeg("outside:{$member->who->outside}", $does, 0, CallBook::OUTSIDE_MAILBOX_AFTER, $member->confirm)]];

                continue;
            }
            $user = $this->book->get((string) $member->who, User::class);
            $legs = array_values(array_filter($this->book->legs($user), static fn (Leg $leg): bool => $leg->forGroups));
            $alwaysReachable = array_filter($legs, static fn (Leg $leg): bool => $leg->legKind === LegKind::Outside) !== [];
            $isActive = $user->status === UserStatus::Active;
            $members[] = [
                'member' => $member,
                'canBeOut' => true,
                'canBeIn' => $group->signInBy === SignInBy::Member || $member->signedIn,
                'canBeAway' => ! $isActive || ! $alwaysReachable,
                'legs' => $isActive ? $this->legs($user, $legs, $inside) : [],
            ];
        }

        return $members;
    }

    /** @return list<Choice> */
    private function chain(State $state): array
    {
        $chain = $this->book->get($state->object, Chain::class);
        if ($state->position === -1) {
            $announcement = $chain->announcement === null ? null : $this->book->get((string) $chain->announcement, Announcement::class);

            return [Choice::passive(Event::of('announced'), $this->book->seconds($announcement?->prompt))];
        }
        $place = $chain->places[$state->position] ?? null;
        if ($place === null || $place['to']?->word === 'again' || $place['to']?->word === 'back') {
            return [Choice::passive(Event::of('ended'))];
        }
        $seconds = $this->book->placeSeconds($place);

        return $place['to'] === null ? [Choice::passive(Event::of('left'))] : $this->place($state, $place['to'], $seconds);
    }

    /** @return list<Choice> */
    private function place(State $state, Destination $to, int $seconds): array
    {
        $left = Choice::world(Event::of('left'), 0, $seconds);
        if ($to->outside !== null) {
            $does = $this->wayOut->exists($to->outside, $state->object, $state->inside, []) ? 'answers' : 'refused';

            return $does === 'refused' ? [Choice::passive(Event::of('left'))] : [$left, ...$this->rings([new RingLeg("outside:{$to->outside}", $does, $seconds, CallBook::OUTSIDE_MAILBOX_AFTER)], false)];
        }
        switch ($to->object?->kind) {
            case Kind::User:
                $user = $this->book->get((string) $to, User::class);
                $devices = $user->status === UserStatus::Active ? array_filter($this->book->legs($user), static fn (Leg $leg): bool => $leg->legKind !== LegKind::Outside) : [];

                return $devices === [] ? [Choice::passive(Event::of('left'))] : [$left, ...$this->rings($this->legs($user, array_values($devices), $state->inside, $seconds), false)];
            case Kind::Group:
                $group = $this->book->get((string) $to, Group::class);
                if ($this->settled($group) !== null) {
                    return [Choice::passive(Event::of('left'))];
                }

                return [$left, ...$this->offers($this->members($group, $state->inside), min($seconds, $group->noAnswerSeconds ?? $seconds))];
            case Kind::Announcement:
                $announcement = $this->book->get((string) $to, Announcement::class);
                if ($announcement->then === null) {
                    return [Choice::passive(Event::of('played'), $this->book->seconds($announcement->prompt))];
                }
        }

        return [Choice::passive(Event::of('leads'))];
    }

    /** @return list<Choice> */
    private function attendant(State $state): array
    {
        $attendant = $this->book->get($state->object, Attendant::class);
        $item = $attendant->enabled ? $this->book->answer($attendant) : null;
        foreach ($attendant->answers as $answer) {
            if ($answer['item'] === $item) {
                return [Choice::passive(Event::of('answer', $item), $this->book->seconds($answer['greeting']))];
            }
        }

        return [Choice::passive(Event::of($attendant->enabled ? 'noAnswerSet' : 'switchedOff'))];
    }

    /** @return list<Choice> */
    private function menu(State $state): array
    {
        $menu = $this->book->get($state->object, Menu::class);
        // A state after a wrong key and one after silence are the same state; the invalid prompt may or may not play first.
        $play = $this->book->seconds($menu->prompt) + $menu->wait;
        $longest = $play + ($state->wrong > 0 ? $this->book->seconds($menu->invalidPrompt) : 0);
        $choices = [];
        $dialling = $menu->dialExtensions['scope'] === ExtensionReach::Off ? 0 : ($menu->dialExtensions['most'] ?? $this->book->tenant()->extensionLength) * $menu->dialExtensions['interdigit'];
        foreach ($longest === 0 ? [] : array_keys($menu->keys) as $key) {
            $choices[] = Choice::key(Event::of('key', (string) $key), 0, $longest + $dialling);
        }
        if ($longest > 0 && (count($menu->keys) < 12 || $dialling > 0)) {
            $choices[] = Choice::key(Event::of('wrong'), 0, $longest + $dialling);
        }
        foreach ($dialling === 0 ? [] : array_keys($this->book->extensions()) as $extension) {
            $who = $this->book->dialled($menu, (string) $extension);
            if ($who !== null) {
                $choices[] = Choice::key(Event::of('dialled', $who), 0, $longest + $dialling);
            }
        }
        $choices[] = Choice::passive(Event::of('silence'), $play, $longest);

        return $choices;
    }

    /** @return list<Choice> */
    private function transfer(State $state): array
    {
        $user = $this->book->get($state->callee, User::class);
        $devices = $user->status === UserStatus::Active ? array_values(array_filter($this->book->legs($user), static fn (Leg $leg): bool => $leg->legKind !== LegKind::Outside)) : [];
        $seconds = $this->book->transferSeconds();

        return $devices === []
            ? [Choice::passive(Event::of('unreachable'))]
            : [Choice::world(Event::of('busy')), Choice::world(Event::of('unreachable')), ...$this->rings($this->legs($user, $devices, $state->inside, $seconds), false)];
    }

    /** @return list<Choice> */
    private function line(State $state): array
    {
        $this->book->reads($state->object);

        return [Choice::passive(Event::of('rings'))];
    }

    /** @return list<Choice> */
    private function mailbox(State $state): array
    {
        $mailbox = $this->book->get($state->object, Mailbox::class);
        if (! $mailbox->enabled) {
            return [Choice::passive(Event::of('switchedOff'))];
        }
        $this->book->reads($mailbox->greeting);
        $zero = $mailbox->zero === null ? [] : [Choice::key(Event::of('zero'), 0, $this->book->seconds($mailbox->greeting))];

        return [...$zero, Choice::passive(Event::of($mailbox->full ? 'messageRefused' : 'messageIn'))];
    }
}
