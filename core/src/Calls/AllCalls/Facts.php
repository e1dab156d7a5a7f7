<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Loop;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\Place;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\OneCall\Trace;

/** What is known of calls that begin in one state, in one period class. */
final readonly class Facts
{
    /**
     * @param  list<string>  $ends  every end there is, as `outcome target`, sorted; a loop is named by what Trace says
     *     of it, else by the first object on it
     * @param  array<string, Loop>  $loops  those that nobody has to press a key for, by end
     * @param  string  $firstOffer  who is rung first for a caller who does nothing: `user:…`, `outside:…`, or empty
     * @param  bool  $queuesFirst  whether a queue holds the caller before
     * @param  ?Outcome  $passive  what becomes of a caller who does nothing and whom nobody answers; null for a loop
     *     without end
     * @param  bool  $staysInMenu  whether silence never leaves a menu
     */
    private function __construct(
        public array $ends,
        public array $loops,
        public string $firstOffer,
        public bool $queuesFirst,
        public ?Outcome $passive,
        public string $passiveTarget,
        public bool $staysInMenu,
    ) {
    }

    public static function of(Explorer $explored, State $start): self
    {
        [$passed, $outcome, $target] = $explored->passiveRun($start);
        $firstOffer = '';
        $queuesFirst = false;
        foreach ($passed as $key) {
            foreach ($explored->edges[$key] as $edge) {
                if ($edge->choice->event->kind === EventKind::Answered && $firstOffer === '') {
                    $firstOffer = $edge->choice->event->detail;
                    $queuesFirst = array_filter($explored->edges[$key], static fn (Edge $other): bool => in_array(
                        $other->choice->event->kind,
                        [EventKind::WaitedLongest, EventKind::Endless],
                        true,
                    )) !== [];
                }
            }
        }
        $ends = array_map(static fn (array $end): string => "{$end[0]->value} {$end[1]}", $explored->ends($start));
        $loops = [];
        foreach (Rounds::of($explored) as $loop) {
            $loops[Outcome::Loop->value . ' ' . (
                $outcome === null && in_array($target, $loop->objects, true) ? $target : $loop->objects[0]
            )] = $loop;
        }
        $ends = array_values(array_unique([
            ...$ends, ...array_keys($loops), ...Overruns::of($explored, $start),
            ...$outcome === Outcome::Overrun ? ["{$outcome->value} {$target}"] : [],
        ]));
        sort($ends);
        $last = $explored->states[$passed[count($passed) - 1] ?? ''] ?? $start;

        return new self(
            $ends,
            $loops,
            $firstOffer,
            $queuesFirst,
            $outcome,
            $target,
            $outcome === null && $last->place === Place::Menu,
        );
    }

    /** The upper track of a week strip: what a caller gets if the first leg offered answers. */
    public function ifAnswered(): string
    {
        if ($this->firstOffer === '') {
            return $this->ifNobodyAnswers();
        }

        return match (true) {
            $this->queuesFirst => 'queue',
            str_starts_with($this->firstOffer, 'outside:') => 'outside',
            default => 'person',
        };
    }

    /** The lower track: what a caller gets if nobody answers. */
    public function ifNobodyAnswers(): string
    {
        return $this->passive?->sort() ?? ($this->staysInMenu ? 'menu' : 'lost');
    }
}
