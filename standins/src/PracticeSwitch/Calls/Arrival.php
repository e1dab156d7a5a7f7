<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** What a line makes of a call that comes in by it. */
final readonly class Arrival
{
    public function __construct(private Holdings $holdings, private Question $question)
    {
    }

    public function at(string $id, Part $line): Turn
    {
        $place = new Place('line', $id);
        $why = $this->notInService($line) ?? $this->notDelivered($line);
        if (
            $this->question->world->is(new Place('switch', 'all'), 'dark')
            && $why !== 'unknown'
            && $why !== 'not_yet_ours'
        ) {
            $spill = $line->place('spill');

            return $spill === null
                ? Turn::end('engaged', $place, 0)
                : Turn::to($spill, new Sender($place, needsWay: false), 0);
        }
        if ($why !== null) {
            return Turn::end($why, $place, 0);
        }
        if (! $line->yes('active', true)) {
            return Turn::end('nowhere', $place, 0);
        }
        foreach ($this->holdings->account()->parts('barred') as $barred) {
            if ($this->question->isFrom($barred->text('match') ?? '')) {
                return Turn::end('dropped', $place, 0);
            }
        }
        foreach ($line->parts('screens') as $screen) {
            if ($this->question->isFrom($screen->text('match') ?? '')) {
                return Turn::to($screen->place('to'), new Sender($place), 0);
            }
        }

        return Turn::to($line->place('lands_on'), new Sender($place), 0);
    }

    private function notInService(Part $line): ?string
    {
        $phase = $line->text('phase') ?? 'live';
        $clock = new Clock($this->holdings->clockOf(new Part(['at_premises' => $line->text('at_premises')])));
        $today = Clock::dateNumber($clock->dayOf($this->question->instant));
        $since = $line->count('since');

        return match (true) {
            in_array($phase, ['asked', 'kept', 'resting', 'ended'], true) => 'unknown',
            $phase === 'coming' && ($since === null || $today < $since) => 'not_yet_ours',
            ($since !== null && $today < $since) || $today > ($line->count('up_to') ?? PHP_INT_MAX) => 'unknown',
            default => null,
        };
    }

    private function notDelivered(Part $line): ?string
    {
        $pipe = $line->text('via') === null ? null : $this->holdings->in('pipes', $line->text('via'));
        $form = $line->text('arrives_as');

        return $pipe !== null
            && (! $pipe->yes('active', true) || ($form !== null && $form !== ($pipe->text('arrives_as') ?? 'full')))
            ? 'mangled'
            : null;
    }
}
