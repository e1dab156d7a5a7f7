<?php

declare(strict_types=1);

namespace Jaunty\Core\CallRecords;

/** What calls of some time tell of a customer: as a whole, by number, by group, by user. */
final readonly class CallsMade
{
    /** @param list<CallRecord> $records */
    public function __construct(public array $records)
    {
    }

    public function whole(): Tally
    {
        return Tally::of($this->records);
    }

    /** @return array<string, Tally> by what was called */
    public function byNumber(): array
    {
        return array_map(Tally::of(...), $this->sorted(static fn (CallRecord $record): array => [$record->called]));
    }

    /** @return array<string, Tally> by the groups a call came through */
    public function byGroup(): array
    {
        return array_map(Tally::of(...), $this->sorted(static fn (CallRecord $record): array => $record->groups));
    }

    /** @return array<string, RungTally> by user: whose phones rang, or who took a call without */
    public function byUser(): array
    {
        $tallies = [];
        $users = $this->sorted(static fn (CallRecord $record): array => array_values(array_unique([
            ...$record->rang,
            ...($record->isAnswered() && str_starts_with($record->target ?? '', 'user:') ? [$record->target] : []),
        ])));
        foreach ($users as $user => $records) {
            $taken = array_values(array_filter(
                $records,
                static fn (CallRecord $record): bool => $record->isAnswered() && $record->target === $user,
            ));
            $tallies[$user] = new RungTally(count($records), count($taken), $taken === [] ? null : max(
                array_map(static fn (CallRecord $record): int => $record->at, $taken),
            ));
        }

        return $tallies;
    }

    /** The most calls that were under way at once, waiting or talking. */
    public function mostAtOnce(): int
    {
        return self::most(array_map(
            static fn (CallRecord $record): array => [$record->at, $record->waited + $record->talked],
            $this->records,
        ));
    }

    /**
     * The most calls in which some of these talked at once.
     *
     * @param  list<string>  $users  as references
     */
    public function mostTalkingOf(array $users): int
    {
        $wanted = array_flip($users);
        $theirs = array_filter($this->records, static fn (CallRecord $record): bool => $record->isAnswered()
            && isset($wanted[$record->target ?? '']));

        return self::most(array_map(
            static fn (CallRecord $record): array => [$record->at + $record->waited, $record->talked],
            $theirs,
        ));
    }

    /** @param array<array{int, int}> $spans from when, and for how many seconds */
    private static function most(array $spans): int
    {
        $changes = [];
        foreach ($spans as [$from, $seconds]) {
            // One that ends at the second another begins has made room for it.
            $changes[] = [$from, 1];
            $changes[] = [$from + max(1, $seconds), -1];
        }
        sort($changes);
        $most = $now = 0;
        foreach ($changes as [, $change]) {
            $now += $change;
            $most = max($most, $now);
        }

        return $most;
    }

    /**
     * @param  \Closure(CallRecord): list<string>  $under
     * @return array<string, non-empty-list<CallRecord>>
     */
    private function sorted(\Closure $under): array
    {
        $sorted = [];
        foreach ($this->records as $record) {
            foreach ($under($record) as $name) {
                $sorted[$name][] = $record;
            }
        }

        return $sorted;
    }
}
