<?php

declare(strict_types=1);

namespace App\Fleet;

use App\Access\CustomerNotFound;
use App\Access\Scope;
use App\Audit\AuditReason;
use App\Time\Clock;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\Query\Builder;

/**
 * Every customer granted to the technician: in which order, and the lines of those in view. Thousands of keys are one
 * small answer; their lines are read as somebody comes to them.
 *
 * @phpstan-type Row object{id: string, key: string, name: string, stage: string, zone: string, region: ?string,
 *     head_revision: int, initials: ?string, main_number: ?string, main_leads_to: ?string, objects: ?int,
 *     differences: ?int, pushed_revision: ?int, place: ?string, strip: ?string, findings: ?string,
 *     drift_findings: ?string, callers_notice: ?bool, next_on: ?string, next_what: ?string,
 *     summed_up_on: ?string, live_read_at: ?string,
 *     pushed_at: ?string}&\stdClass
 */
final readonly class RosterDesk
{
    /** Lines that come with the order: a window full, and some to scroll. */
    public const AT_FIRST = 60;

    public const MOST_LINES = 100;

    /** Where more changed than this, all of it is read again. */
    private const MOST_CHANGED = 25;

    /** What was changed by a transaction that ended only after others were read. */
    private const OVERLAP_SECONDS = 65;

    public function __construct(
        private Scope $scope,
        private AuditRuns $runs,
        private Clock $clock,
        private ConnectionInterface $db,
    ) {
    }

    /**
     * @return array{order: list<string>, rows: list<Row>, total: int, stages: list<string>, regions: list<string>,
     *     people: list<string>, at: string} keys in order, the first lines, how many customers there are, what there is
     *     to narrow by, and the moment that changes are asked for from
     */
    public function page(string $technicianId, RosterSought $sought, int $most = self::AT_FIRST): array
    {
        return $this->scope->technician($technicianId, function () use ($technicianId, $sought, $most): array {
            $at = $this->moment();
            $order = self::strings(RosterQuery::of($sought)->pluck('t.key')->all());
            $this->lookAnew($technicianId);

            return [
                'order' => $order,
                'rows' => self::inOrder(array_slice($order, 0, $most)),
                ...$this->choices(),
                'at' => $at,
            ];
        });
    }

    /**
     * @param  list<string>  $keys  at most MOST_LINES
     * @return list<Row> in the order they were asked for; who is not granted is left out
     */
    public function lines(string $technicianId, array $keys): array
    {
        return $this->scope->technician($technicianId, static fn (): array => self::inOrder($keys));
    }

    /**
     * @param  string  $since  a moment that was told before
     * @return array{rows: list<Row>, isMany: bool, total: int, at: string} lines that changed; none of them where they
     *     are many
     */
    public function changes(string $technicianId, string $since): array
    {
        return $this->scope->technician($technicianId, function () use ($technicianId, $since): array {
            $at = $this->moment();
            $changed = static fn (): Builder => RosterQuery::all()->where(static fn (Builder $either) => $either
                ->whereRaw('t.changed_at > ?::timestamptz - make_interval(secs => ?)', [$since, self::OVERLAP_SECONDS])
                ->orWhereRaw('s.changed_at > ?::timestamptz - make_interval(secs => ?)', [
                    $since, self::OVERLAP_SECONDS,
                ]));
            $keys = self::strings($changed()->limit(self::MOST_CHANGED + 1)->pluck('t.key')->all());
            $isMany = count($keys) > self::MOST_CHANGED;
            $this->lookAnew($technicianId);

            return [
                'rows' => $isMany ? [] : self::inOrder($keys), 'isMany' => $isMany,
                'total' => RosterQuery::all()->count(), 'at' => $at,
            ];
        });
    }

    /**
     * @return array{previous: ?string, next: ?string} keys of those beside it by name
     *
     * @throws CustomerNotFound
     */
    public function beside(string $technicianId, string $key): array
    {
        return $this->scope->technician($technicianId, static function () use ($key): array {
            $row = RosterQuery::all()->where('t.key', $key)->first(['t.name']);
            if ($row === null) {
                throw new CustomerNotFound();
            }
            $name = get_object_vars($row)['name'] ?? '';
            $to = static fn (string $than, string $how): mixed => RosterQuery::all()
                ->whereRaw("(t.name collate roster_names, t.key) {$than} (? collate roster_names, ?)", [$name, $key])
                ->orderByRaw("t.name collate roster_names {$how}, t.key {$how}")
                ->value('t.key');
            [$previous, $next] = [$to('<', 'desc'), $to('>', 'asc')];

            return [
                'previous' => is_string($previous) ? $previous : null, 'next' => is_string($next) ? $next : null,
            ];
        });
    }

    /** @return list<\stdClass> key and name of each, in order */
    public function names(string $technicianId): array
    {
        return $this->scope->technician($technicianId, static fn (): array => array_values(
            RosterQuery::of(new RosterSought())->get(['t.key', 't.name'])->all(),
        ));
    }

    /** Those whose day has changed are looked at anew meanwhile. */
    private function lookAnew(string $technicianId): void
    {
        $yesterdays = RosterQuery::all()
            ->whereRaw('s.summed_up_on < (?::timestamptz at time zone t.zone)::date', [
                $this->clock->now()->format(\DateTimeInterface::ATOM),
            ])
            ->orWhereNull('s.summed_up_on')
            ->pluck('t.id')->all();
        if ($yesterdays !== []) {
            $this->runs->begin($technicianId, AuditReason::NewDay, self::strings($yesterdays));
        }
    }

    /**
     * @param  array<mixed>  $values
     * @return list<string>
     */
    private static function strings(array $values): array
    {
        return array_values(array_filter($values, is_string(...)));
    }

    /** By the database's clock, which all machines share. */
    private function moment(): string
    {
        $row = $this->db->selectOne(
            "select to_char(clock_timestamp() at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS.US\"Z\"') as told",
        );

        return is_object($row) && is_string($row->told ?? null) ? $row->told : '';
    }

    /** @return array{total: int, stages: list<string>, regions: list<string>, people: list<string>} */
    private function choices(): array
    {
        $row = $this->db->selectOne(<<<'SQL'
            select json_build_object('total', count(*),
                'stages', coalesce(json_agg(distinct t.stage), '[]'),
                'regions', coalesce(json_agg(distinct t.region) filter (where t.region is not null), '[]'),
                'people', coalesce(json_agg(distinct w.initials) filter (where w.initials is not null), '[]')) as told
            from tenants t left join technicians w on w.id = t.looked_after_by
            SQL);
        $told = is_object($row) && is_string($row->told ?? null)
            ? json_decode($row->told, true, flags: JSON_THROW_ON_ERROR)
            : [];

        /** @var array{total: int, stages: list<string>, regions: list<string>, people: list<string>} */
        return is_array($told) ? $told : [];
    }

    /**
     * @param  list<string>  $keys
     * @return list<Row>
     */
    private static function inOrder(array $keys): array
    {
        if ($keys === []) {
            return [];
        }
        $instant = static fn (string $column): string => "to_char(s.{$column} at time zone 'UTC', "
            . "'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"') as {$column}";
        /** @var array<string, Row> $rows */
        $rows = RosterQuery::all()->whereIn('t.key', $keys)
            ->select([
                't.id', 't.key', 't.name', 't.stage', 't.zone', 't.region', 't.head_revision', 'w.initials',
                's.main_number', 's.main_leads_to', 's.objects', 's.differences', 's.pushed_revision', 's.place',
                's.strip', 's.findings', 's.drift_findings', 's.callers_notice', 's.next_on', 's.next_what',
                's.summed_up_on',
            ])
            ->selectRaw($instant('live_read_at') . ', ' . $instant('pushed_at'))
            ->get()->keyBy('key')->all();

        return array_values(array_filter(array_map(
            static fn (string $key): ?object => $rows[$key] ?? null,
            $keys,
        )));
    }
}
