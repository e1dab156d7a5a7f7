<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\Calls\Law\Outcome;

/** A trace in the few parts that people tell of a call: what is heard, who rings and for how long, and how it ends. */
final readonly class Telling
{
    /**
     * @param  list<array{what: string, object: string, seconds: int}>  $parts  what is hears, rings or waits; seconds
     *     until the next part
     */
    private function __construct(
        public array $parts,
        public Outcome $outcome,
        public string $target,
        public int $seconds,
        public string $reason,
    ) {
    }

    public static function of(Trace $trace): self
    {
        $begun = [];
        foreach ($trace->steps as $place => $step) {
            $what = self::what($step, $trace->steps[$place - 1] ?? null);
            if ($what !== null && ($begun === [] || $begun[count($begun) - 1][1] !== $step->object)) {
                $begun[] = [$what, $step->object, $step->at];
            }
        }
        $parts = [];
        foreach ($begun as $place => [$what, $object, $at]) {
            $parts[] = [
                'what' => $what,
                'object' => $object,
                'seconds' => ($begun[$place + 1][2] ?? $trace->seconds) - $at,
            ];
        }

        return new self($parts, $trace->outcome, $trace->target, $trace->seconds, $trace->reason);
    }

    /**
     * @return array{parts: list<array{what: string, object: string, seconds: int}>, outcome: string, sort: string,
     *     target: string, seconds: int, reason: string}
     */
    public function toArray(): array
    {
        return [
            'parts' => $this->parts, 'outcome' => $this->outcome->value, 'sort' => $this->outcome->sort($this->target),
            'target' => $this->target, 'seconds' => $this->seconds, 'reason' => $this->reason,
        ];
    }

    /** A group's members ring in its name; an outside number that is led to rings in its own. */
    private static function what(TraceStep $step, ?TraceStep $before): ?string
    {
        $kind = explode(':', $step->object, 2)[0];

        return match (true) {
            str_starts_with($step->what, 'play ') || $step->what === 'plays' => 'hears',
            $step->what === 'waits in the queue' => 'waits',
            $step->what === 'is called' && ($kind === 'user' || $kind === 'group'),
            $step->what === 'is offered' => 'rings',
            $step->what === 'rings'
                && $kind === 'outside'
                && $before !== null
                && in_array(explode(':', $before->object, 2)[0], ['number', 'attendant', 'chain'], true) => 'rings',
            default => null,
        };
    }
}
