<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** Codes that somebody in the house dials: this switch's own reading of what each of them does. */
final readonly class Stars
{
    public function __construct(
        private Holdings $holdings,
        private Question $question,
        private Ringing $ringing,
        private Journal $journal,
    ) {
    }

    /** @return ?Turn the end of whatever else is dialled at a set that is nobody's */
    public function atGuestSet(): ?Turn
    {
        $set = $this->guestSet();

        return $set === null ? null : Turn::end('nowhere', $set, 0);
    }

    /** @return ?Turn null where no code begins what was dialled */
    public function dialled(): ?Turn
    {
        $star = '';
        $rest = '';
        $longest = 0;
        $codes = $this->holdings->account()->part('stars')?->part('codes');
        foreach (['grab', 'grab_of', 'shout', 'quick', 'sit_down'] as $each) {
            $code = $codes?->text($each) ?? '';
            if (strlen($code) > $longest && str_starts_with($this->question->dialled, $code)) {
                [$star, $longest] = [$each, strlen($code)];
                $rest = substr($this->question->dialled, $longest);
            }
        }
        if ($star === '') {
            return null;
        }
        if ($star !== 'sit_down' && $this->guestSet() !== null) {
            return $this->atGuestSet();
        }
        $whose = $this->holdings->shortsInside()[$rest][0] ?? null;

        return match (true) {
            $star === 'sit_down' => $this->sitDown($whose),
            $star === 'quick' => $this->quick($rest),
            $star === 'grab' => $rest === '' ? $this->grab() : $this->nowhere(),
            $whose === null => $this->nowhere(),
            ! $whose->is('person') => Turn::end('nowhere', $whose, 0),
            $star === 'grab_of' => $this->grabOf($whose),
            default => $this->shout($whose),
        };
    }

    private function guestSet(): ?Place
    {
        $by = $this->question->by;

        return $by?->is('set') === true && $this->holdings->at($by)->yes('guest') ? $by : null;
    }

    private function caller(): Place
    {
        $by = $this->question->by;
        if ($by?->is('set') === true && $this->guestSet() === null) {
            $owner = ($this->holdings->at($by)->parts('owners')[0] ?? new Part([]))->text('person');
            $by = $owner === null ? null : Place::person($owner);
        }

        return $by ?? new Place('account', $this->holdings->accountId());
    }

    private function nowhere(): Turn
    {
        return Turn::end('nowhere', $this->caller(), 0);
    }

    /** @return array<string, list<string>> persons by net, of the nets somebody is in */
    private function nets(string $person): array
    {
        $nets = [];
        foreach ($this->holdings->all('nets') as $id => $net) {
            $persons = array_map(static fn (Part $each): string => $each->text('person') ?? '', $net->parts('crew'));
            if (in_array($person, $persons, true)) {
                $nets[$id] = $persons;
            }
        }

        return $nets;
    }

    private function grab(): Turn
    {
        $caller = $this->caller();
        $nets = $caller->is('person') ? $this->nets($caller->id) : [];
        foreach ($nets as $net => $persons) {
            foreach ($persons as $person) {
                if ($person !== $caller->id && $this->question->world->is(Place::person($person), 'rung')) {
                    return $this->grabbed((string) $net, Place::person($person));
                }
            }
        }

        return Turn::end('nowhere', $nets === [] ? $caller : new Place('net', (string) array_key_first($nets)), 0);
    }

    private function grabOf(Place $whose): Turn
    {
        $caller = $this->caller();
        $nets = $caller->is('person') && ! $caller->equals($whose) ? $this->nets($caller->id) : [];
        foreach ($nets as $net => $persons) {
            if (in_array($whose->id, $persons, true) && $this->question->world->is($whose, 'rung')) {
                return $this->grabbed((string) $net, $whose);
            }
        }

        return Turn::end('nowhere', $whose, 0);
    }

    private function grabbed(string $net, Place $person): Turn
    {
        $this->journal->note(0, new Place('net', $net), 'grabs');
        $this->journal->note(0, $person, 'is grabbed');

        return Turn::end('grabbed', $person, 0);
    }

    private function shout(Place $whose): Turn
    {
        $this->journal->note(0, $whose, 'enters');
        if (! $this->ringing->hasSetThere($whose, 'set', 'pane', 'pocket')) {
            return Turn::end('nowhere', $whose, 0);
        }
        if ($this->question->world->is($whose, 'hush') || $this->ringing->isOnACall($whose)) {
            return Turn::end('engaged', $whose, 0);
        }
        $this->journal->note(0, $whose, 'speaks');

        return Turn::end('taken', $whose, 0);
    }

    private function quick(string $digits): Turn
    {
        foreach ($this->holdings->account()->part('stars')?->parts('quick') ?? [] as $dial) {
            if ($dial->text('no') === $digits && $dial->text('dial') !== null) {
                $caller = $this->caller();
                $sender = $caller->is('person') ? Sender::person($this->holdings, $caller) : new Sender($caller);

                return Turn::to(Place::dial($dial->text('dial')), $sender, 0);
            }
        }

        return $this->nowhere();
    }

    private function sitDown(?Place $whose): Turn
    {
        $set = $this->guestSet();
        if ($set === null) {
            return $this->nowhere();
        }
        if (
            $whose === null
            || ! $whose->is('person')
            || ($this->holdings->at($whose)->text('standing') ?? 'on') !== 'on'
        ) {
            return Turn::end('nowhere', $set, 0);
        }
        $this->journal->note(0, $set, 'is taken');
        $this->journal->note(0, $whose, 'sits down');

        return Turn::end('sat_down', $set, 0);
    }
}
