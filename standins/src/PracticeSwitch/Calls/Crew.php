<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** The members of a band: who is there, and how they are rung, lap by lap. */
final class Crew
{
    private const MOST_SECONDS = 7200;

    private readonly Part $body;

    /** @var list<Part> */
    private readonly array $members;

    private readonly int $ringLength;

    /** @var array<string, int> the second up to which a member rests, by slot */
    private array $restsUntil = [];

    public function __construct(
        private readonly Place $band,
        private readonly Holdings $holdings,
        private readonly World $world,
        private readonly Ringing $ringing,
    ) {
        $this->body = $holdings->at($band);
        $this->ringLength = $holdings->account()->number('ring_len', 5);
        $members = array_filter(
            $this->body->parts('crew'),
            fn (Part $member): bool => $this->body->text('pick') !== 'lot' || $member->number('weight') > 0,
        );
        $this->members = $this->inTurn(array_values($members));
    }

    /** @return ?string which of a band's cases holds before anybody is rung: nobody, dark or talking */
    public function caseBefore(): ?string
    {
        $here = array_filter(
            array_map($this->standing(...), $this->members),
            static fn (string $standing): bool => $standing !== 'out',
        );

        return match (true) {
            $here === [] => 'nobody',
            array_unique($here) === ['dark'] => 'dark',
            in_array('free', $here, true) => null,
            default => in_array('talking', $here, true) ? 'talking' : 'dark',
        };
    }

    /**
     * Rings the members from a second on, until somebody takes the call or there is an end to it.
     *
     * @param  ?int  $until  the second at which it is over at the latest, or none
     * @param  bool  $waits  whether the caller waits in a queue, where laps have no end
     * @return array{?Rung, int} what somebody did, if anybody did, and the second it began or the ringing ended
     */
    public function ring(int $second, ?int $until, bool $waits): array
    {
        $hasLimit = $until !== null;
        $end = $until ?? ($waits ? $second + self::MOST_SECONDS : PHP_INT_MAX);
        // In a queue each offer is of its rings: who waits is offered again and again.
        $isOneOffer = $this->body->text('pick') === 'all' && $hasLimit && ! $waits && ! $this->takesTurnsByRank();
        $laps = $waits ? PHP_INT_MAX : ($isOneOffer ? 1 : max(0, $this->body->number('laps', 1)));
        for ($lap = 0; $lap < $laps && $second < $end; $lap++) {
            $began = $second;
            foreach ($this->offers() as $members) {
                $seconds = $isOneOffer
                    ? $end - $second
                    : min($this->body->number('rings', 3) * $this->ringLength, $end - $second);
                $awake = array_values(array_filter(
                    $members,
                    fn (Part $member): bool => ($this->restsUntil[$member->text('slot') ?? ''] ?? 0) <= $second,
                ));
                $awake = $this->body->text('pick') === 'all'
                    ? array_slice($awake, 0, $this->body->count('at_once_max'))
                    : $awake;
                if ($awake === [] || $second >= $end) {
                    continue;
                }
                if ($seconds < $this->ringLength) {
                    $second += $seconds;
                    continue;
                }
                $rung = $this->ringing->together($this->legsOf($awake, $seconds), $second);
                if ($rung->isTaken()) {
                    return [$rung, $second];
                }
                $second += $rung->seconds;
                foreach ($rung->seconds > 0 ? $awake : [] as $member) {
                    $this->restsUntil[$member->text('slot') ?? ''] = $second + ($this->body->seconds('breather') ?? 0);
                }
            }
            if ($waits && $second === $began) {
                // Nobody can be rung now: those who rest wait for the first to have rested, the others change nothing.
                $second = min(
                    [$end, ...array_filter($this->restsUntil, static fn (int $rested): bool => $rested > $second)],
                );
            }
        }

        return [null, $waits ? $end : $second];
    }

    /** Whether first and second rank are both held, and ring one after the other. */
    private function takesTurnsByRank(): bool
    {
        return $this->body->text('reserve') === 'join_in' && $this->rank(1) !== [] && $this->rank(2) !== [];
    }

    /** @return list<list<Part>> who is rung at once, offer by offer, in one lap */
    private function offers(): array
    {
        $first = $this->rank(1);
        $second = $this->rank(2);
        $freeFirst = array_values(array_filter($first, fn (Part $member): bool => $this->standing($member) === 'free'));
        $freeSecond = array_values(
            array_filter($second, fn (Part $member): bool => $this->standing($member) === 'free'),
        );
        $ranks = match (true) {
            $this->body->text('reserve') === 'join_in' => [$freeFirst, $freeSecond],
            $freeFirst === [] => [$freeSecond],
            default => [$freeFirst],
        };
        $offers = [];
        foreach ($ranks as $members) {
            if ($this->body->text('pick') === 'all') {
                $offers[] = $members;
            } else {
                array_push($offers, ...array_map(static fn (Part $member): array => [$member], $members));
            }
        }

        return $offers;
    }

    /** @return list<Part> */
    private function rank(int $rank): array
    {
        return array_values(
            array_filter(
                $this->members,
                static fn (Part $member): bool => min(2, $member->number('rank', 1)) === $rank,
            ),
        );
    }

    /** Whether a member is out, dark, talking, or free to be rung. */
    private function standing(Part $member): string
    {
        $who = $member->place('who');
        if ($who === null || ! $who->is('person')) {
            return $who !== null && $member->yes('on', true) ? 'free' : 'out';
        }
        $isOut = $this->world->is($who, 'hush')
            || ($this->body->text('roll') === 'boss' ? ! $member->yes('on', true) : $this->world->is($who, 'off'));
        $passesBusy = $this->body->yes('pass_busy', true) || $this->body->part('queue') !== null;

        return match (true) {
            $isOut => 'out',
            $this->ringing->teamLegs($who) === [] => 'dark',
            $passesBusy ? $this->ringing->isOnACall($who) : ! $this->ringing->hasFreeLine($who) => 'talking',
            default => 'free',
        };
    }

    /**
     * @param  list<Part>  $members
     * @return list<Leg>
     */
    private function legsOf(array $members, int $seconds): array
    {
        $legs = [];
        foreach ($members as $member) {
            $who = $member->place('who') ?? Place::dial('');
            $own = $who->is('person')
                ? $this->ringing->teamLegs($who)
                : [$this->ringing->dial($who, $seconds, $member->yes('ask'), Sender::of($this->holdings, $this->band))];
            array_push($legs, ...array_map(static fn (Leg $leg): Leg => $leg->ringing($seconds), $own));
        }

        return $legs;
    }

    /**
     * @param  list<Part>  $members
     * @return list<Part> as the world has it: from the top every time, from one of them on, or in an order of its own
     *     with the rest as listed
     */
    private function inTurn(array $members): array
    {
        $turns = $this->world->turns($this->band->id);
        $pick = $this->body->text('pick');
        if ($turns === [] || $pick === 'top') {
            return $members;
        }
        $slots = array_map(static fn (Part $member): string => $member->text('slot') ?? '', $members);
        if ($pick === 'turn') {
            $first = (int) array_search($turns[0], $slots, true);

            return [...array_slice($members, $first), ...array_slice($members, 0, $first)];
        }
        $ranks = array_flip($turns);
        $places = array_map(
            static fn (int $place): int => $ranks[$slots[$place]] ?? count($ranks) + $place,
            array_keys($members),
        );
        array_multisort($places, $members);

        return $members;
    }
}
