<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\TwoBooks;

use Jaunty\Core\Calls\AllCalls\Crossing;
use Jaunty\Core\Calls\AllCalls\Edge;
use Jaunty\Core\Calls\AllCalls\Remembered;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Next;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\Year\Periods;

/**
 * Calls in two books side by side, each pair of places looked at once for each answer of the schedules that were asked.
 *
 * @internal
 */
final class Meetings
{
    private const LEAST_SECONDS = 5;

    private const SHARE = 0.1;

    /** @var Remembered<Meeting> */
    private Remembered $known;

    public function __construct(private readonly Encounters $one, private readonly Encounters $other)
    {
        $this->known = new Remembered();
    }

    /** Whether as much was followed in either book as may be. */
    public function isSpent(): bool
    {
        return $this->one->graph->isSpent() || $this->other->graph->isSpent();
    }

    /**
     * @param  array{array<string, string>, array<string, string>, array<string, string>}  $says  the schedules of
     *     either book by slot, and of both
     * @return array{array<string, string>, Meeting} with what was asked of the schedules of both
     */
    public function of(string $pair, State|Next|null $one, State|Next|null $other, array $says): array
    {
        return $this->known->find($pair, $says[2]) ?? $this->compare($pair, $one, $other, $says);
    }

    /**
     * @param  array{array<string, string>, array<string, string>, array<string, string>}  $says
     * @return array{array<string, string>, Meeting}
     */
    private function compare(string $pair, State|Next|null $one, State|Next|null $other, array $says): array
    {
        $alike = $this->alike($one, $other, $says);
        if ($alike !== null) {
            return $this->known->keep($pair, self::ofBoth($alike[0], $alike[0]), $alike[1]);
        }
        [$askedOne, $was] = self::meet($this->one, $one, $says[0]);
        [$askedOther, $is] = self::meet($this->other, $other, $says[1]);
        $next = [];
        $asked = self::ofBoth($askedOne, $askedOther);
        $isSame = $was->hasEventsOf($is);
        foreach (
            $was->isSamePlace($is) ? $this->ways($was, $is, $says, $isSame, $asked) : [] as $label => [$edge, $now]
        ) {
            $next[$label] = [self::key($edge->next) . ' | ' . self::key($now->next), $edge->next, $now->next];
        }
        $differs = array_map(
            static fn (?string $ofDegree): array => [$was, $is, $ofDegree],
            self::differs($was, $is, $isSame),
        );

        return $this->known->keep(
            $pair,
            $asked,
            new Meeting($was->people, $is->people, $differs, $next, max($was->places, $is->places)),
        );
    }

    /**
     * What can happen in both, and where it leads in each. What can happen in one only is no difference where it leads
     * as doing nothing does in the other: nobody can tell what it was.
     *
     * @param  array{array<string, string>, array<string, string>, array<string, string>}  $says
     * @param  array<string, string>  $asked  more is added where more was looked at
     * @return array<string, array{Edge, Edge}> by what happens
     */
    private function ways(Encounter $was, Encounter $is, array $says, bool &$isSame, array &$asked): array
    {
        $ways = [];
        foreach (array_intersect_key($was->events, $is->events) as $label => $edge) {
            $ways[$label] = [$edge, $is->events[$label]];
        }
        $isSame = true;
        foreach (
            [array_diff_key($was->events, $is->events), array_diff_key($is->events, $was->events)] as $side => $alone
        ) {
            $passive = ($side === 0 ? $is : $was)->passive();
            foreach ($alone as $label => $edge) {
                $both = $passive === null ? null : ($side === 0 ? [$edge, $passive] : [$passive, $edge]);
                if ($both === null || ! self::canPassUnnoticed($edge) || ! $this->leadAlike($both, $says, $asked)) {
                    $isSame = false;
                } else {
                    $ways[$label] = $both;
                }
            }
        }

        return $ways;
    }

    /** Whoever presses a key or is answered knows it; and where somebody may close, somebody will. */
    private static function canPassUnnoticed(Edge $edge): bool
    {
        return ! $edge->choice->needsKey && ! in_array(
            $edge->choice->event->kind,
            [
                EventKind::Answered, EventKind::OutsideMailbox, EventKind::Rule, EventKind::Blocked,
                EventKind::ClosedByHand, EventKind::Full,
            ],
            true,
        );
    }

    /**
     * @param  array{Edge, Edge}  $both
     * @param  array{array<string, string>, array<string, string>, array<string, string>}  $says
     * @param  array<string, string>  $asked
     */
    private function leadAlike(array $both, array $says, array &$asked): bool
    {
        [$askedOne, $was] = self::meet($this->one, $both[0]->next, $says[0]);
        [$askedOther, $is] = self::meet($this->other, $both[1]->next, $says[1]);
        $asked += self::ofBoth($askedOne, $askedOther);

        return $was->isLike($is) && $was->hasEventsOf($is);
    }

    /**
     * Where both books go the same way on from the same place, nothing needs to be compared: most of two books is so.
     *
     * @param  array{array<string, string>, array<string, string>, array<string, string>}  $says
     * @return ?array{array<string, string>, Meeting} with what was asked in either
     */
    private function alike(State|Next|null $one, State|Next|null $other, array $says): ?array
    {
        $one = $one instanceof Next ? $one->state : $one;
        $other = $other instanceof Next ? $other->state : $other;
        if ($one === null || $one->key() !== $other?->key() || $this->one->isLimited() || $this->other->isLimited()) {
            return null;
        }
        $this->one->graph->say($says[0]);
        $this->other->graph->say($says[1]);
        $asked = [];
        $passed = [];
        for ($state = $one; $state !== null && ! isset($passed[$state->key()]); $state = $way->next->state) {
            $crossing = $this->one->graph->edges($state);
            if ($this->other->graph->edges($state) !== $crossing) {
                return null;
            }
            $passed[$state->key()] = true;
            $asked += $crossing->asked;
            $way = Crossing::onlyWay($crossing->edges);
            if ($way === null) {
                $next = [];
                foreach ($this->one->events($state, $crossing->edges) as $label => $edge) {
                    $key = self::key($edge->next);
                    $next[$label] = ["{$key} | {$key}", $edge->next, $edge->next];
                }
                $people = $this->one->people($crossing->edges);

                return [$asked, new Meeting($people, $people, [], $next, count($passed))];
            }
        }

        return [$asked, new Meeting([], [], [], [], count($passed))];
    }

    /**
     * @param  array<string, string>  $one
     * @param  array<string, string>  $other
     * @return array<string, string>
     */
    private static function ofBoth(array $one, array $other): array
    {
        $asked = [];
        foreach ([$one, $other] as $side => $slots) {
            foreach ($slots as $slot => $said) {
                $asked[Periods::ofSide($side, $slot)] = $said;
            }
        }

        return $asked;
    }

    /**
     * @param  array<string, string>  $says
     * @return array{array<string, string>, Encounter}
     */
    private static function meet(Encounters $encounters, State|Next|null $at, array $says): array
    {
        if ($at === null) {
            return [[], Encounter::nowhere()];
        }
        if ($at instanceof Next && $at->state === null) {
            return [[], $encounters->end($at)];
        }

        return $encounters->from($at instanceof Next ? $at->state : $at, $says);
    }

    private static function key(Next $next): string
    {
        return $next->state?->key() ?? "{$next->outcome?->value} {$next->target}";
    }

    /** @return array<string, ?string> */
    private static function differs(Encounter $was, Encounter $is, bool $canTheSame): array
    {
        if (! $canTheSame || ! $was->isLike($is)) {
            $apart = [
                ...array_keys(array_diff_key($was->events, $is->events) + array_diff_key($is->events, $was->events)),
                ...$was->onACall, '>', ...$is->onACall,
            ];

            return ["{$was->words()} > {$is->words()} " . implode(' ', $apart) => null];
        }
        $degrees = self::waits($was, $is);
        if ($was->people !== $is->people || $was->manner !== $is->manner) {
            $degrees[] = $was->people === $is->people && $was->manner !== ''
                ? "{$is->ringing()}, was {$was->manner}"
                : "{$is->ringing()}, was {$was->ringing()}";
        }

        return array_combine($degrees, $degrees);
    }

    /** @return list<string> waits that differ by more than 5 s and a tenth */
    private static function waits(Encounter $was, Encounter $is): array
    {
        $waits = [['on the way', $was->seconds, $is->seconds]];
        foreach ($was->events as $label => $edge) {
            if ($edge->choice->isPassive && isset($is->events[$label])) {
                $waits[] = ["{$label} after", $edge->choice->most, $is->events[$label]->choice->most];
            }
        }
        $degrees = [];
        foreach ($waits as [$what, $long, $longNow]) {
            if ($long !== $longNow && ($long === null || $longNow === null || abs($long - $longNow) > max(
                self::LEAST_SECONDS,
                self::SHARE * max($long, $longNow),
            ))) {
                $degrees[] = sprintf(
                    '%s %s, was %s',
                    $what,
                    $longNow === null ? 'without end' : "{$longNow} s",
                    $long === null ? 'without end' : "{$long} s",
                );
            }
        }

        return $degrees;
    }
}
