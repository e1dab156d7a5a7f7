<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\Member;
use Jaunty\Core\Book\SignInBy;
use Jaunty\Core\Book\TierTwo;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Chances;
use Jaunty\Core\Calls\Law\Choice;
use Jaunty\Core\Calls\Law\Event;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Hunt;
use Jaunty\Core\Calls\Law\OfferPlan;
use Jaunty\Core\Calls\Law\RingLegs;
use Jaunty\Core\Hours\HoursState;

/**
 * Every event a free world may give at a hunt group, each with a world that gives it, and within seconds that some
 * world reaches (held by a law in the tests, exhaustively to five members; a queue's and a resting group's latest
 * seconds are bounds only).
 *
 * @internal
 */
final readonly class GroupChoices
{
    public function __construct(private CallBook $book, private RingLegs $legs)
    {
    }

    /** @return list<Choice> of a call that came for the group itself */
    public function own(Group $group, bool $inside): array
    {
        $settled = $this->settled($group);
        $byHand = $group->handClosable && $settled !== EventKind::SwitchedOff
            ? [Choice::world(Event::of(EventKind::ClosedByHand))]
            : [];
        if ($settled !== null) {
            return [...$byHand, Choice::passive(Event::of($settled))];
        }
        $members = $this->members($group, $inside);
        $plan = OfferPlan::own($group, $this->book->tenant()->secondsPerRing);

        return [...$byHand, ...$this->beforeOffers($group, $members), ...(
            $group->queue === null ? $this->offers($plan, $members) : $this->queue($plan, $members)
        )];
    }

    /** @return list<Choice> of an offer to the group from a place of a chain */
    public function place(Group $group, bool $inside, int $seconds): array
    {
        if ($this->settled($group) !== null) {
            return [Choice::passive(Event::of(EventKind::Left))];
        }
        $offers = $this->offers(
            OfferPlan::place($group, $this->book->tenant()->secondsPerRing, $seconds),
            $this->members($group, $inside),
        );

        return $offers === []
            ? [Choice::passive(Event::of(EventKind::Left))]
            : [Choice::world(Event::of(EventKind::Left)), ...$offers];
    }

    /** Why nobody is offered a call, whatever the world is like. */
    private function settled(Group $group): ?EventKind
    {
        $hours = HoursState::of($this->book->hours($group->schedule, $this->book->clockOf($group)));

        return match (true) {
            ! $group->enabled => EventKind::SwitchedOff,
            ! $group->handClosable && $group->closedByHand => EventKind::ClosedByHand,
            $hours !== HoursState::Open => EventKind::from($hours->value),
            default => null,
        };
    }

    /**
     * @param  list<Chances>  $members
     * @return list<Choice>
     */
    private function beforeOffers(Group $group, array $members): array
    {
        $any = static fn (callable $which): bool => array_filter($members, $which) !== [];
        $choices = [];
        if (! $any(static fn (Chances $each): bool => ! $each->canBeOut)) {
            $mustBeOut = ! $any(static fn (Chances $each): bool => $each->canBeIn);
            $choices[] = $mustBeOut
                ? Choice::passive(Event::of(EventKind::NobodySignedIn))
                : Choice::world(Event::of(EventKind::NobodySignedIn));
        }
        if ($any(static fn (Chances $each): bool => ! $each->canBeOut && ! $each->isUser())) {
            // An outside member who is signed in counts as available: the call is offered.
            return $choices;
        }
        $users = array_filter($members, static fn (Chances $each): bool => $each->canBeIn && $each->isUser());
        $canBeBusy = array_filter($users, static fn (Chances $each): bool => $each->legs !== []);
        if (array_filter($users, static fn (Chances $each): bool => $each->canBeAway) !== [] && ! $any(
            static fn (Chances $each): bool => ! $each->canBeOut && ! $each->canBeAway,
        )) {
            $choices[] = $canBeBusy === []
                ? Choice::passive(Event::of(EventKind::AllUnreachable))
                : Choice::world(Event::of(EventKind::AllUnreachable));
        }
        if ($canBeBusy !== [] && ($group->queue === null || $group->otherwise->of('allBusy') !== null)) {
            $choices[] = Choice::world(Event::of(EventKind::AllBusy));
        }

        return $choices;
    }

    /**
     * @param  list<Chances>  $members
     * @return list<Choice>
     */
    private function offers(OfferPlan $plan, array $members): array
    {
        $offered = $this->offered($plan, $members);
        if ($offered === []) {
            return [];
        }
        $ringing = array_values(array_map(
            static fn (Chances $each): Member => $each->member,
            array_filter($offered, static fn (Chances $each): bool => $each->canRing()),
        ));
        $latest = [];
        foreach ($offered as $each) {
            $before = $plan->offersBefore($each->member, $ringing);
            foreach ($each->legs as $leg) {
                $answered = $leg->dropsOut() ? null : $plan->answeredBy($before);
                if ($leg->dropsOut() || ($answered === null && ! ($plan->waits && $plan->limit === null))) {
                    continue;
                }
                $latest[] = [Event::of(EventKind::Answered, $leg->object), $answered];
                if (str_starts_with($leg->object, 'outside:') && ! $leg->confirm) {
                    $latest[] = [
                        Event::of(EventKind::OutsideMailbox, $leg->object),
                        $plan->mailboxBy($before, $leg->mailboxAfter),
                    ];
                }
            }
        }
        $choices = [];
        foreach ($latest as [$event, $most]) {
            $key = "{$event->kind->value} {$event->detail}";
            $choices[$key] = Choice::world(
                $event,
                0,
                isset($choices[$key]) ? ($most === null ? null : max($most, $choices[$key]->most)) : $most,
            );
        }
        $canComeToNothing = array_filter($offered, static fn (Chances $each): bool => $each->canComeToNothing) !== [];

        return [...array_values($choices), Choice::passive(
            Event::of(EventKind::Unanswered),
            $canComeToNothing ? $plan->nothingFrom() : $plan->unansweredFrom(),
            $plan->unansweredBy($ringing, array_values(
                array_map(static fn (Chances $each): Member => $each->member, $offered),
            )),
        )];
    }

    /**
     * @param  list<Chances>  $members
     * @return list<Chances> those to whom a call may be offered
     */
    private function offered(OfferPlan $plan, array $members): array
    {
        $offered = array_filter($members, static fn (Chances $each): bool => $each->canBeOffered());
        $alwaysThere = array_filter(
            $offered,
            static fn (Chances $each): bool => $each->member->tier === 1 && ! $each->isUser(),
        );
        // Behind a first tier in which somebody is always available the second never gets its turn.
        $isBehind = $plan->group->tierTwo === TierTwo::Unavailable && $alwaysThere !== [];

        return array_values(
            array_filter($offered, static fn (Chances $each): bool => $each->member->tier === 1 || ! $isBehind),
        );
    }

    /**
     * @param  list<Chances>  $members
     * @return list<Choice>
     */
    private function queue(OfferPlan $plan, array $members): array
    {
        $queue = $plan->group->queue ?? throw new \LogicException('no queue');
        $this->book->reads($queue->greeting, $queue->comfort, $queue->music);
        $choices = $this->offers($plan, $members);
        if ($choices === []) {
            return [];
        }
        array_pop($choices);
        $end = $queue->longestWait === null
            ? Choice::passive(Event::of(EventKind::Endless))
            : Choice::passive(Event::of(EventKind::WaitedLongest), $queue->longestWait);
        $exit = $queue->exitKey === null ? [] : [
            Choice::key(
                Event::of(EventKind::ExitKey),
                0,
                $queue->longestWait === null ? null : $queue->longestWait - 1,
            ),
        ];

        return $queue->most < 1
            ? [Choice::passive(Event::of(EventKind::Full))]
            : [...$choices, Choice::world(Event::of(EventKind::Full)), ...$exit, $end];
    }

    /** @return list<Chances> */
    private function members(Group $group, bool $inside): array
    {
        $members = [];
        foreach ($group->withTurns() as $member) {
            if ($member->who->outside !== null) {
                $leg = $this->legs->outside($member->who->outside, "group:{$group->key}", $inside, 0, $member->confirm);
                $members[] = new Chances($member, ! $member->signedIn, $member->signedIn, false, [$leg], true);

                continue;
            }
            $user = $this->book->get((string) $member->who, User::class);
            $legs = array_values(array_filter($this->book->legs($user), static fn (Leg $leg): bool => $leg->forGroups));
            $hasOutside = array_filter($legs, static fn (Leg $leg): bool => $leg->legKind === LegKind::Outside) !== [];
            $isActive = $user->status === UserStatus::Active;
            $members[] = new Chances(
                $member,
                true,
                $group->signInBy === SignInBy::Member || $member->signedIn,
                ! $isActive || ! $hasOutside,
                $isActive ? $this->legs->of($user, $legs, $inside) : [],
                $hasOutside,
            );
        }

        return $members;
    }
}
