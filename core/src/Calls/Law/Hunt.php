<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\GroupOrder;
use Jaunty\Core\Book\Member;
use Jaunty\Core\Book\TierTwo;

/**
 * A hunt group's offers laid out in seconds, in one world: who is rung when, and what comes of it. One run serves own
 * calls, queues and places of chains; they differ in what ends it.
 */
final class Hunt
{
    /** A queue without a longest wait is followed so far: who was not reached by then is not reached. */
    private const MOST_OFFERS = 2_000;

    private readonly Group $group;

    private int $at = 0;

    /** @var list<array{int, string}> */
    private array $began = [];

    /** @var array<string, int> second until which a member rests, by item */
    private array $rests = [];

    /** @param list<string> $order items the world puts first */
    public function __construct(
        private readonly OfferPlan $plan,
        private readonly OfferWorld $world,
        private readonly bool $inside,
        private readonly array $order,
    ) {
        $this->group = $plan->group;
    }

    /**
     * @return array{EventKind, string, int, list<array{int, string}>} kind (answered, outside mailbox, unanswered,
     *     endless), who, second, and which legs began when
     */
    public function run(): array
    {
        for ($pass = 0; $this->plan->passes === null || $pass < $this->plan->passes; $pass++) {
            $before = $this->at;
            foreach ($this->tiers() as $tier) {
                $taken = $this->group->order === GroupOrder::Simultaneous
                    ? $this->offerAll($tier)
                    : $this->offerEach($tier);
                if ($taken !== null) {
                    return [...$taken, $this->began];
                }
                if ($this->plan->limit !== null && $this->at >= $this->plan->limit) {
                    return [EventKind::Unanswered, '', $this->plan->limit, $this->began];
                }
            }
            if ($this->plan->oneOffer !== null) {
                return [EventKind::Unanswered, '', $this->at, $this->began];
            }
            $isEndless = $this->plan->waits && $this->plan->limit === null && $pass > self::MOST_OFFERS;
            if ($isEndless || ($this->at === $before && $this->plan->waits && ! $this->waitForRest())) {
                break;
            }
        }
        if ($this->plan->waits) {
            return $this->plan->limit === null
                ? [EventKind::Endless, '', 0, $this->began]
                : [EventKind::Unanswered, '', $this->plan->limit, $this->began];
        }

        return [EventKind::Unanswered, '', $this->at, $this->began];
    }

    /** @return list<list<Member>> whom one pass offers, tier by tier, in order */
    private function tiers(): array
    {
        $tiers = [1 => [], 2 => []];
        foreach ($this->group->withTurns() as $member) {
            $tiers[$member->tier][] = $member;
        }
        $available = array_map(
            fn (array $members): array => array_values(array_filter(
                $members,
                fn (Member $member): bool => $this->world->availability(
                    $this->group,
                    $member,
                    $this->at,
                ) === 'available',
            )),
            $tiers,
        );
        $chosen = $this->group->tierTwo === TierTwo::AlsoTried
            ? [$available[1], $available[2]]
            : [$available[1] === [] ? $available[2] : $available[1]];

        return array_map($this->ordered(...), array_values(
            array_filter($chosen, static fn (array $members): bool => $members !== []),
        ));
    }

    /**
     * @param  list<Member>  $members
     * @return list<Member>
     */
    private function ordered(array $members): array
    {
        if ($this->group->order === GroupOrder::Sequential || $this->order === []) {
            return $members;
        }
        if ($this->group->order === GroupOrder::RoundRobin) {
            $items = array_column($this->group->members, 'item');
            $start = array_search($this->order[0], $items, true);
            $rank = array_flip(
                $start === false ? $items : [...array_slice($items, $start), ...array_slice($items, 0, $start)],
            );
        } else {
            $rank = array_flip($this->order);
        }
        usort($members, static fn (Member $a, Member $b): int => ($rank[$a->item] ?? PHP_INT_MAX) <=> (
            $rank[$b->item] ?? PHP_INT_MAX
        ));

        return $members;
    }

    /**
     * @param  list<Member>  $members
     * @return ?array{EventKind, string, int}
     */
    private function offerEach(array $members): ?array
    {
        foreach ($members as $member) {
            if (($this->rests[$member->item] ?? 0) > $this->at) {
                continue;
            }
            $taken = $this->offer([$member], $this->plan->each());
            if ($taken !== null || ($this->plan->limit !== null && $this->at >= $this->plan->limit)) {
                return $taken;
            }
        }

        return null;
    }

    /**
     * @param  list<Member>  $members
     * @return ?array{EventKind, string, int}
     */
    private function offerAll(array $members): ?array
    {
        $awake = array_values(
            array_filter($members, fn (Member $member): bool => ($this->rests[$member->item] ?? 0) <= $this->at),
        );

        return $awake === []
            ? null
            : $this->offer(array_slice($awake, 0, $this->group->mostAtOnce), $this->plan->each());
    }

    /**
     * @param  list<Member>  $members
     * @return ?array{EventKind, string, int}
     */
    private function offer(array $members, int $seconds): ?array
    {
        if ($this->plan->limit !== null) {
            $seconds = min($seconds, $this->plan->limit - $this->at);
        }
        $legs = [];
        foreach ($members as $member) {
            array_push($legs, ...$this->world->offerLegs($this->group, $member, $this->inside, $seconds, $this->at));
        }
        $ringing = Ringing::together($legs);
        $dropped = $ringing->began === [];
        if ($seconds < $this->plan->ring) {
            // Shorter than one ring: nobody can answer it, but its time runs, though everybody may have dropped out.
            $this->at += $seconds;

            return null;
        }
        foreach ($ringing->began as [, $object]) {
            $this->began[] = [$this->at, $object];
        }
        if ($ringing->kind->takes()) {
            return [$ringing->kind, $ringing->who, $this->at + $ringing->seconds];
        }
        $this->at += $ringing->seconds;
        foreach ($dropped ? [] : $members as $member) {
            $this->rests[$member->item] = $this->at + $this->group->restAfterNoAnswer;
        }

        return null;
    }

    /** In a queue the next offer waits for the first to have rested. */
    private function waitForRest(): bool
    {
        $later = array_filter($this->rests, fn (int $until): bool => $until > $this->at);
        if ($later === []) {
            return false;
        }
        $this->at = min($later);

        return $this->plan->limit === null || $this->at < $this->plan->limit;
    }
}
