<?php

declare(strict_types=1);

namespace App\Fleet;

use App\Models\TenantRow;
use App\Support\Words;
use Illuminate\Database\Query\Builder;

/** Says in SQL which customers fit a sentence over the Roster, and in which order. In a technician's scope. */
final readonly class RosterQuery
{
    /** Of the book and of drift as last read: how many of a weight. */
    private const WEIGHED = "(coalesce((s.findings ->> '%1\$s')::int, 0) "
        . "+ coalesce((s.drift_findings ->> '%1\$s')::int, 0))";

    public static function all(): Builder
    {
        return TenantRow::query()->toBase()->from('tenants', 't')
            ->leftJoin('tenant_summaries as s', 's.tenant_id', '=', 't.id')
            ->leftJoin('technicians as w', 'w.id', '=', 't.looked_after_by');
    }

    public static function of(RosterSought $sought): Builder
    {
        $query = self::all();
        $said = ['t.stage' => $sought->stage, 't.region' => $sought->region, 'w.initials' => $sought->who];
        foreach ($said as $of => $is) {
            if ($is !== '') {
                $query->where($of, $is);
            }
        }
        $sum = static fn (string ...$weights): string => implode(' + ', array_map(
            static fn (string $weight): string => sprintf(self::WEIGHED, $weight),
            $weights,
        ));
        match ($sought->findings) {
            'blocker' => $query->whereRaw($sum('blocker') . ' > 0'),
            'error' => $query->whereRaw($sum('blocker', 'error') . ' > 0'),
            'warning' => $query->whereRaw($sum('blocker', 'error', 'warning') . ' > 0'),
            'none' => $query->whereRaw($sum('blocker', 'error', 'warning', 'note') . ' = 0'),
            default => $query,
        };
        match ($sought->drift) {
            'some' => $query->where('s.differences', '>', 0),
            'noticed' => $query->where('s.callers_notice', true),
            'none' => $query->where('s.differences', 0),
            'unread' => $query->whereNull('s.differences'),
            'behind' => $query->whereRaw('t.head_revision > coalesce(s.pushed_revision, 0)'),
            default => $query,
        };
        self::words($query, $sought->words);

        return self::inOrder($query, $sought);
    }

    private static function words(Builder $query, string $words): void
    {
        foreach (Words::of($words) as $word) {
            $digits = preg_match('/^[\d()+-]+$/D', $word) === 1 ? (string) preg_replace('/\D/', '', $word) : '';
            $query->where(static function (Builder $either) use ($word, $digits): void {
                $either->whereRaw(
                    "position(? in lower(concat_ws(' ', t.name, s.place, s.main_leads_to, t.zone, s.main_number))) > 0",
                    [$word],
                );
                if ($digits !== '') {
                    $either->orWhereRaw(
                        "position(? in regexp_replace(coalesce(s.main_number, ''), '\\D', '', 'g')) > 0",
                        [$digits],
                    );
                }
            });
        }
    }

    /** By one column, then by name; whoever has nothing there comes last either way. */
    private static function inOrder(Builder $query, RosterSought $sought): Builder
    {
        $how = $sought->isDown ? 'desc' : 'asc';
        $by = match ($sought->sort) {
            'stage' => 't.stage',
            'findings' => implode(' + ', array_map(
                static fn (string $of, string $heavy): string => sprintf(self::WEIGHED, $of) . "::numeric * {$heavy}",
                ['blocker', 'error', 'warning', 'note'],
                ['1e9', '1e6', '1e3', '1'],
            )),
            'differences' => 's.differences',
            'next' => 's.next_on',
            'pushedAt' => 's.pushed_at',
            'lookedAfterBy' => 'w.initials',
            default => null,
        };
        $name = 't.name collate roster_names';
        if ($by !== null) {
            $query->orderByRaw("{$by} {$how} nulls last");
        }

        return $query->orderByRaw($by === null ? "{$name} {$how}" : $name)->orderBy('t.key');
    }
}
