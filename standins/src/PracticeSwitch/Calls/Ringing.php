<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** Rings legs, and tells which of a person's are there to ring. */
final readonly class Ringing
{
    private const RING = 5;

    private const OUTSIDE_BOX_AFTER = 20;

    public function __construct(
        private Holdings $holdings,
        private World $world,
        private WaysOut $ways,
        private int $instant,
        private Journal $journal,
    ) {
    }

    /** A person's rule for the hour it is for him. */
    public function rule(Place $person): Part
    {
        $body = $this->holdings->at($person);
        $rules = $body->part('rules') ?? new Part([]);
        $hours = Timetable::of($this->holdings, $body->text('hours'), $this->holdings->clockOf($body));
        $day = $rules->part('day') ?? new Part([]);
        $night = $rules->part('night') ?? $day;

        return match ($hours?->at($this->instant)->word) {
            'night' => $night,
            'feast' => $rules->part('feast') ?? $night,
            default => $day,
        };
    }

    /** @return list<Leg> the legs of a person's own rule that are there, in the rule's order */
    public function ownLegs(Place $person): array
    {
        return $this->legs($person, static fn (Part $ringer): bool => true);
    }

    /** @return list<Leg> devices alone, whoever asks for them */
    public function devices(Place $person): array
    {
        return $this->legs($person, static fn (Part $ringer): bool => $ringer->text('sort') !== 'far');
    }

    /** @return list<Leg> what rings for a band */
    public function teamLegs(Place $person): array
    {
        return $this->legs(
            $person,
            static fn (Part $ringer): bool => $ringer->yes('team', $ringer->text('sort') !== 'far'),
        );
    }

    public function dial(Place $dial, int $seconds, bool $asks, Sender $sender): Leg
    {
        return new Leg($dial, $seconds, self::OUTSIDE_BOX_AFTER, $asks, $sender);
    }

    public function hasFreeLine(Place $person): bool
    {
        $isTalking = $this->world->is($person, 'talking');

        return ! $this->world->is($person, 'full')
            && ! ($isTalking && ! $this->holdings->at($person)->yes('second_call', true));
    }

    public function isOnACall(Place $person): bool
    {
        return $this->world->is($person, 'full') || $this->world->is($person, 'talking');
    }

    /** Whether somebody who asks for a person's devices rings them at all. */
    public function canBeOffered(Place $person): bool
    {
        return $this->devices($person) !== [] && ! $this->world->is($person, 'hush') && $this->hasFreeLine($person);
    }

    /** Whether a person's set or pane speaks by itself: there, not talking, not to be disturbed. */
    public function canSpeak(Place $person): bool
    {
        return $this->hasSetThere($person, 'set', 'pane')
            && ! $this->world->is($person, 'hush')
            && ! $this->isOnACall($person);
    }

    /** Whether any ringer of these sorts is there, of all a person has. */
    public function hasSetThere(Place $person, string ...$sorts): bool
    {
        $body = $this->holdings->at($person);
        if (($body->text('standing') ?? 'on') !== 'on') {
            return false;
        }
        foreach ($body->parts('ringers') as $ringer) {
            if (in_array($ringer->text('sort') ?? 'set', $sorts, true) && $this->isThere($person, $ringer)) {
                return true;
            }
        }

        return false;
    }

    /** @param list<Leg> $legs that ring together from a second on */
    public function together(array $legs, int $second): Rung
    {
        $longest = null;
        $isRefused = false;
        $best = null;
        foreach ($legs as $leg) {
            if ($this->dropsOut($leg)) {
                $isRefused = true;
                continue;
            }
            $this->journal->note($second, $leg->place, 'rings');
            $longest = max($longest ?? 0, $leg->seconds);
            $taken = $this->taken($leg);
            if ($taken !== null && ($best === null || $taken->seconds < $best->seconds)) {
                $best = $taken;
            }
        }

        return $best ?? match (true) {
            $longest !== null => new Rung('unheard', $longest),
            default => new Rung($isRefused ? 'full' : 'dark', 0),
        };
    }

    /** @param list<Leg> $legs that ring one after another */
    public function inTurn(array $legs, int $second): Rung
    {
        $spent = 0;
        $words = [];
        foreach ($legs as $leg) {
            $rung = $this->together([$leg], $second + $spent);
            if ($rung->isTaken()) {
                return new Rung($rung->word, $spent + $rung->seconds, $rung->by);
            }
            $spent += $rung->seconds;
            $words[] = $rung->word;
        }

        return new Rung(match (true) {
            in_array('unheard', $words, true) => 'unheard',
            in_array('full', $words, true) => 'full',
            default => 'dark',
        }, $spent);
    }

    public function leadsOut(Place $dial, Sender $sender): bool
    {
        return $this->ways->lead($dial->id, $sender);
    }

    private function dropsOut(Leg $leg): bool
    {
        return $leg->place->is('dial')
            && (! $this->leadsOut($leg->place, $leg->sender) || $this->world->is($leg->place, 'full'));
    }

    private function taken(Leg $leg): ?Rung
    {
        if ($this->world->is($leg->place, 'picks_up')) {
            return new Rung('picked_up', 0, $leg->place);
        }
        if (! $leg->place->is('dial') || $leg->asks) {
            return null;
        }
        $after = match (true) {
            $this->world->is($leg->place, 'off') => 0,
            $this->world->is($leg->place, 'box') => $leg->boxAfter,
            default => null,
        };

        return $after !== null && ($after < $leg->seconds || $after === 0)
            ? new Rung('box', $after, $leg->place)
            : null;
    }

    /**
     * @param  \Closure(Part): bool  $isMeant
     * @return list<Leg>
     */
    private function legs(Place $person, \Closure $isMeant): array
    {
        $body = $this->holdings->at($person);
        if (($body->text('standing') ?? 'on') !== 'on') {
            return [];
        }
        $ringers = [];
        foreach ($body->parts('ringers') as $ringer) {
            $ringers[$ringer->text('slot') ?? ''] = $ringer;
        }
        $listed = $this->rule($person)->texts('ringers');
        $legs = [];
        foreach ($listed ?? array_map(strval(...), array_keys($ringers)) as $slot) {
            $ringer = $ringers[$slot] ?? null;
            if ($ringer !== null && $isMeant($ringer) && $this->isThere($person, $ringer)) {
                $place = $ringer->text('sort') === 'far' ? Place::dial($ringer->text('dial') ?? '') : $person;
                $legs[] = new Leg(
                    $place,
                    $ringer->number('rings', 4) * self::RING,
                    $ringer->number('box_after', self::OUTSIDE_BOX_AFTER),
                    $ringer->yes('ask'),
                    Sender::person($this->holdings, $person),
                );
            }
        }

        return $legs;
    }

    private function isThere(Place $person, Part $ringer): bool
    {
        $sort = $ringer->text('sort') ?? 'set';
        $premises = $this->holdings->at($person)->text('at_premises');

        return $sort === 'far' || ! (
            $this->world->is($person, 'dark')
            || $this->world->is(new Place('ringer', "{$person->id}/{$ringer->text('slot')}"), 'dark')
            || ($sort !== 'pocket' && $premises !== null && $this->world->is(new Place('premises', $premises), 'dark'))
        );
    }
}
