<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Hours\HoursState;

/**
 * Results kept with what the schedules said to whoever worked them out: a result holds again wherever they say that
 * again.
 *
 * @template T
 */
final class Remembered
{
    /** @var array<string, list<array{array<string, string>, T}>> */
    private array $results = [];

    /**
     * @param  array<string, string>  $valuation  what every schedule says now, by slot
     * @return ?array{array<string, string>, T} what was read, and the result
     */
    public function find(string $of, array $valuation): ?array
    {
        foreach ($this->results[$of] ?? [] as $kept) {
            foreach ($kept[0] as $slot => $said) {
                if (($valuation[$slot] ?? HoursState::Open->value) !== $said) {
                    continue 2;
                }
            }

            return $kept;
        }

        return null;
    }

    /**
     * @param  array<string, string>  $read  by slot, what was said; nothing else was asked
     * @param  T  $result
     * @return array{array<string, string>, T}
     */
    public function keep(string $of, array $read, mixed $result): array
    {
        return $this->results[$of][] = [$read, $result];
    }

    /** @param self<T> $from */
    public function takeOver(string $of, self $from): void
    {
        $this->results[$of] = $from->results[$of] ?? [];
    }
}
