<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** Those whose sets a party line is on: who is there, and what rings of them. */
final readonly class Crowd
{
    private Part $body;

    public function __construct(
        private Place $party,
        private Holdings $holdings,
        private World $world,
        private Ringing $ringing,
    ) {
        $this->body = $holdings->at($this->party);
    }

    public function seconds(int $ringLength): int
    {
        return $this->body->number('rings', 6) * $ringLength;
    }

    /** @return ?string which case holds before anything rings: full or unheard */
    public function caseBefore(): ?string
    {
        $here = array_filter($this->persons(), fn (Place $who): bool => ! $this->world->is($who, 'hush'));
        $there = array_filter($here, fn (Place $who): bool => $this->ringing->teamLegs($who) !== []);
        $free = array_filter($there, fn (Place $who): bool => ! $this->ringing->isOnACall($who));

        return match (true) {
            $there === [] => 'unheard',
            $free === [] => 'full',
            default => null,
        };
    }

    /** @return list<Leg> of those who are free */
    public function legs(int $seconds): array
    {
        $legs = [];
        foreach ($this->persons() as $who) {
            if ($this->world->is($who, 'hush') || $this->ringing->isOnACall($who)) {
                continue;
            }
            foreach ($this->ringing->teamLegs($who) as $leg) {
                $legs[] = $leg->ringing($seconds);
            }
        }

        return $legs;
    }

    /** @return list<Place> */
    private function persons(): array
    {
        return array_map(
            static fn (Part $member): Place => Place::person($member->text('person') ?? ''),
            $this->body->parts('crew'),
        );
    }
}
