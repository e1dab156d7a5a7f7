<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\GroupOrder;
use Jaunty\Core\Book\Member;
use Jaunty\Core\Book\TierTwo;

/**
 * When a hunt group's offers end, and how late each member can be reached, in closed form. The world may pass over
 * anybody in any pass, so every offer can come at once, and at the latest after all that can go before it; resting
 * makes nothing later than that.
 */
final readonly class OfferPlan
{
    /**
     * @param  int  $ring  seconds of one ring
     * @param  ?int  $limit  seconds from the first offer on; null for none
     * @param  ?int  $passes  null for none
     * @param  ?int  $oneOffer  of a simultaneous group: everybody at once for so many seconds
     * @param  bool  $waits  whether the call waits while nobody can be offered
     */
    private function __construct(
        public Group $group,
        public int $ring,
        public ?int $limit,
        public ?int $passes,
        public ?int $oneOffer,
        public bool $waits,
    ) {
    }

    /** Of a call that came for the group itself. */
    public static function own(Group $group, int $ring): self
    {
        if ($group->queue !== null) {
            return new self($group, $ring, $group->queue->longestWait, null, null, true);
        }
        $oneOffer = self::canBeOneOffer($group) ? $group->noAnswerSeconds : null;

        return new self(
            $group,
            $ring,
            $group->noAnswerSeconds,
            $oneOffer === null ? $group->rotations : null,
            $oneOffer,
            false,
        );
    }

    /** Of a place in a chain, offered for so many seconds. A queue is not joined from there. */
    public static function place(Group $group, int $ring, int $seconds): self
    {
        $limit = min($seconds, $group->noAnswerSeconds ?? $seconds);
        $oneOffer = self::canBeOneOffer($group) ? $limit : null;

        return new self($group, $ring, $limit, $oneOffer === null ? $group->rotations : null, $oneOffer, false);
    }

    /** Seconds of one offer that nothing cuts. */
    public function each(): int
    {
        return $this->oneOffer ?? $this->group->ringsEach * $this->ring;
    }

    /**
     * The last second in which an offer can be answered.
     *
     * @param  ?int  $before  how many offers can go before it (`offersBefore`)
     * @return ?int null where no offer lasts a ring
     */
    public function answeredBy(?int $before): ?int
    {
        $latest = $this->latest($before);

        return $latest === null ? null : $latest + $this->lasts($latest) - 1;
    }

    /**
     * The last second in which an outside mailbox can take the call.
     *
     * @param  int  $after  seconds after which it answers
     * @return ?int null where no offer lasts a ring
     */
    public function mailboxBy(?int $before, int $after): ?int
    {
        $latest = $this->latest($before);
        if ($latest === null) {
            return null;
        }
        $taken = fn (int $second): int => $second + ($after < $this->lasts($second) ? $after : 0);

        // The very last offer may be cut too short for it, where the one before is not.
        return max($taken($latest), $latest >= $this->each() ? $taken($latest - $this->each()) : 0);
    }

    /**
     * How many offers can go before a member's last one.
     *
     * @param  list<Member>  $ringing  those who can be rung
     * @return ?int null for any number
     */
    public function offersBefore(Member $member, array $ringing): ?int
    {
        if ($this->waits) {
            return null;
        }
        [$first, $second] = $this->inTiers($ringing);
        $place = $this->isInTurn() && $this->group->order === GroupOrder::Sequential
            ? (int) array_search($member->item, array_column($member->tier === 1 ? $first : $second, 'item'), true)
            : max(0, $this->offersOf($member->tier === 1 ? $first : $second) - 1);
        $tierBefore = $member->tier === 2 && $this->group->tierTwo === TierTwo::AlsoTried ? $this->offersOf($first) : 0;

        return (($this->passes ?? 1) - 1) * $this->offersInPass($ringing) + $tierBefore + $place;
    }

    /**
     * Seconds until nobody has answered, at most.
     *
     * @param  list<Member>  $ringing  those who can be rung
     * @param  list<Member>  $offered  those, and those to whom the call is offered in vain
     * @return ?int null for no end
     */
    public function unansweredBy(array $ringing, array $offered): ?int
    {
        if ($this->waits) {
            return $this->limit;
        }
        $all = ($this->passes ?? 1) * $this->offersInPass($ringing) * $this->each();
        if ($this->limit === null || $all >= $this->limit) {
            return $this->limit ?? $all;
        }
        $left = $this->limit - $all;

        // An offer that the limit cuts to less than a ring takes its time even where nobody rings in it.
        return $left < $this->ring && $this->offersInVainAtTheEnd($ringing, $offered) ? $this->limit : $all;
    }

    /**
     * Whether the last pass, at its longest, ends with an offer in which nobody can ring.
     *
     * @param  list<Member>  $ringing
     * @param  list<Member>  $offered
     */
    private function offersInVainAtTheEnd(array $ringing, array $offered): bool
    {
        [$tiers, $rung] = [$this->inTiers($offered), $this->inTiers($ringing)];
        if ($this->group->tierTwo === TierTwo::AlsoTried) {
            $last = $tiers[1] === [] ? 0 : 1;

            return $this->endsInVain($tiers[$last], $rung[$last]);
        }
        $longest = max(count($rung[0]), count($rung[1]));

        return count($rung[0]) === $longest && $this->endsInVain($tiers[0], $rung[0])
            || count($rung[1]) === $longest && $this->endsInVain($tiers[1], $rung[1]);
    }

    /**
     * @param  list<Member>  $tier
     * @param  list<Member>  $rung
     */
    private function endsInVain(array $tier, array $rung): bool
    {
        if ($rung === [] || ! $this->isInTurn()) {
            return $tier !== [] && $rung === [];
        }

        // Any order but the book's own can put one of them last.
        return $this->group->order === GroupOrder::Sequential ? end($tier) !== end($rung) : count($tier) > count($rung);
    }

    /** Seconds until nobody has answered, at least, where whoever is offered rings. */
    public function unansweredFrom(): int
    {
        return $this->limit === null ? $this->each() : min($this->each(), $this->limit);
    }

    /**
     * Seconds until nobody has answered, at least, where whoever is offered may drop out: an offer cut to less than a
     * ring still takes its time.
     */
    public function nothingFrom(): int
    {
        return $this->limit === null || $this->limit >= $this->ring ? 0 : $this->limit;
    }

    /** @param list<Member> $ringing */
    private function offersInPass(array $ringing): int
    {
        [$first, $second] = array_map($this->offersOf(...), $this->inTiers($ringing));

        return $this->group->tierTwo === TierTwo::AlsoTried ? $first + $second : max($first, $second);
    }

    /**
     * @param  list<Member>  $ringing
     * @return array{list<Member>, list<Member>}
     */
    private function inTiers(array $ringing): array
    {
        $of = static fn (int $tier): array => array_values(
            array_filter($ringing, static fn (Member $member): bool => $member->tier === $tier),
        );

        return [$of(1), $of(2)];
    }

    /** @param list<Member> $members of one tier */
    private function offersOf(array $members): int
    {
        return $this->isInTurn() ? count($members) : min(1, count($members));
    }

    private function isInTurn(): bool
    {
        return $this->group->order !== GroupOrder::Simultaneous;
    }

    /** The second at which the last offer begins that can be answered, of those with at most so many before them. */
    private function latest(?int $before): ?int
    {
        $each = $this->each();
        if ($this->limit === null) {
            return $before === null ? null : $before * $each;
        }
        if ($this->waits) {
            return $this->limit < $this->ring ? null : $this->limit - $this->ring;
        }
        $offers = min((int) $before, intdiv($this->limit, max(1, $each)));
        while ($offers >= 0 && $this->lasts($offers * $each) < $this->ring) {
            $offers--;
        }

        return $offers < 0 ? null : $offers * $each;
    }

    /** How long an offer lasts that begins at a second. */
    private function lasts(int $second): int
    {
        return $this->limit === null ? $this->each() : min($this->each(), $this->limit - $second);
    }

    /**
     * Passes go round where both tiers have members, whether or not they are free; otherwise the limit is one offer.
     */
    private static function canBeOneOffer(Group $group): bool
    {
        return $group->order === GroupOrder::Simultaneous
            && (
                $group->tierTwo === TierTwo::Unavailable
                || count(array_unique(array_map(static fn (Member $member): int => $member->tier, $group->members))) < 2
            );
    }
}
