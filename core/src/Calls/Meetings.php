<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

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

    /**
     * @param  array{array<string, string>, array<string, string>, array<string, string>}  $says  the schedules of either book by slot, and of both
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
        foreach ($was->isSamePlace($is) ? array_intersect_key($was->events, $is->events) : [] as $label => $edge) {
            $now = $is->events[$label]->next;
            $next[$label] = [self::key($edge->next) . ' | ' . self::key($now), $edge->next, $now];
        }
        $differs = array_map(static fn (?string $ofDegree): array => [$was, $is, $ofDegree], self::differs($was, $is));

        return $this->known->keep($pair, self::ofBoth($askedOne, $askedOther), new Meeting($was->people, $is->people, $differs, $next));
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
        if ($one === null || $one->key() !== $other?->key()) {
            return null;
        }
        $this->one->graph->say($says[0]);
        $this->other->graph->say($says[1]);
        $asked = [];
        $passed = [];
        for ($state = $one; $state !== null && ! isset($passed[$state->key()]); $state = $crossing->edges[0]->next->state) {
            $crossing = $this->one->graph->edges($state);
            if ($this->other->graph->edges($state) !== $crossing) {
                return null;
            }
            $passed[$state->key()] = true;
            $asked += $crossing->asked;
            if (! $crossing->isForced()) {
                $next = [];
                foreach ($this->one->events($state, $crossing->edges) as $label => $edge) {
                    $key = self::key($edge->next);
                    $next[$label] = ["{$key} | {$key}", $edge->next, $edge->next];
                }
                $people = $this->one->people($crossing->edges);

                return [$asked, new Meeting($people, $people, [], $next)];
            }
        }

        return [$asked, new Meeting([], [], [], [])];
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
    private static function differs(Encounter $was, Encounter $is): array
    {
        if (! $was->isLike($is)) {
            $events = array_keys(array_diff_key($was->events, $is->events) + array_diff_key($is->events, $was->events));

            return ["{$was->words()} > {$is->words()} " . implode(' ', $events) => null];
        }
        $degrees = self::waits($was, $is);
        if ($was->people !== $is->people || $was->manner !== $is->manner) {
            $degrees[] = "{$is->ringing()}, was {$was->ringing()}";
        }

        return array_combine($degrees, $degrees);
    }

    /** @return list<string> waits that differ by more than 5 s and a tenth */
    private static function waits(Encounter $was, Encounter $is): array
    {
        $waits = [['on the way', $was->seconds, $is->seconds]];
        foreach ($was->events as $label => $edge) {
            if ($edge->choice->isPassive) {
                $waits[] = ["until {$label}", $edge->choice->most, $is->events[$label]->choice->most];
            }
        }
        $degrees = [];
        foreach ($waits as [$what, $long, $longNow]) {
            if ($long !== $longNow && ($long === null || $longNow === null || abs($long - $longNow) > max(self::LEAST_SECONDS, self::SHARE * max($long, $longNow)))) {
                $degrees[] = sprintf('%s %s, was %s', $what, $longNow === null ? 'without end' : "{$longNow} s", $long === null ? 'without end' : "{$long} s");
            }
        }

        return $degrees;
    }
}
