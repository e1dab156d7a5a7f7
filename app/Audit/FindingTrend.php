<?php

declare(strict_types=1);

namespace App\Audit;

use App\Models\FindingDay;
use App\Models\TenantRow;
use App\Time\Clock;
use Jaunty\Core\Audit\Severity;

/** How many findings of each weight stood at all customers granted, day by day. In the technician's scope. */
final readonly class FindingTrend
{
    private const DAYS = 30;

    public function __construct(private Clock $clock)
    {
    }

    /**
     * @return list<array<string, int|string>> oldest first: `day`, and a count by weight; from the first day anything
     *     was kept
     */
    public function days(): array
    {
        $first = $this->clock->now()->modify('-' . (self::DAYS - 1) . ' days')->format('Y-m-d');
        $today = $this->clock->now()->format('Y-m-d');
        $added = self::added($first);
        $standing = array_fill_keys(array_column(Severity::cases(), 'value'), 0);
        $days = [];
        foreach ($added as $row) {
            $step = (array) $row;
            foreach ($standing as $weight => $count) {
                $standing[$weight] = $count + (is_int($step[$weight]) ? $step[$weight] : 0);
            }
            $days[is_string($step['day']) ? max($step['day'], $first) : $first] = $standing;
        }

        return $days === [] ? [] : self::everyDay($days, $today);
    }

    /**
     * A day is kept where it differs from the one before: what it adds to each weight. What stood before the first of
     * them is looked up for each customer, not summed up from all days there ever were.
     *
     * @return list<\stdClass> `day`, and by weight how many more than before; the oldest first
     */
    private static function added(string $first): array
    {
        $sums = implode(', ', array_map(
            static fn (Severity $severity): string => "sum((counts->>'{$severity->value}')::int - "
                . "coalesce((before->>'{$severity->value}')::int, 0))::int as {$severity->value}",
            Severity::cases(),
        ));
        $stood = TenantRow::query()->toBase()->selectRaw("tenants.id, '-infinity'::date, last.counts")->joinLateral(
            FindingDay::query()->toBase()->select('counts')->whereColumn('tenant_id', 'tenants.id')
                ->where('day', '<', $first)->orderByDesc('day')->limit(1),
            'last',
        );
        $steps = FindingDay::query()->toBase()->select('tenant_id', 'day', 'counts')->where('day', '>=', $first)
            ->unionAll($stood);

        return array_values(TenantRow::query()->toBase()->selectRaw("day, {$sums}")->fromSub(
            TenantRow::query()->toBase()
                ->selectRaw('day, counts, lag(counts) over (partition by tenant_id order by day) as before')
                ->fromSub($steps, 'kept'),
            'steps',
        )->groupBy('day')->orderBy('day')->get()->all());
    }

    /**
     * @param  non-empty-array<string, array<string, int>>  $days
     * @return list<array<string, int|string>>
     */
    private static function everyDay(array $days, string $today): array
    {
        $all = [];
        $counts = [];
        for (
            $day = new \DateTimeImmutable(array_key_first($days) . 'T12:00:00Z');
            $day->format('Y-m-d') <= max($today, (string) array_key_last($days));
            $day = $day->modify('+1 day')
        ) {
            $counts = $days[$day->format('Y-m-d')] ?? $counts;
            $all[] = ['day' => $day->format('Y-m-d')] + $counts;
        }

        return $all;
    }
}
