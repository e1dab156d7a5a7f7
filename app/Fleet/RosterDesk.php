<?php

declare(strict_types=1);

namespace App\Fleet;

use App\Access\Scope;
use App\Audit\AuditReason;
use App\Models\TenantRow;
use App\Time\Clock;

/**
 * Every customer granted to the technician, a row each. A thousand rows are one query, and no row is made a model.
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
    public function __construct(private Scope $scope, private AuditRuns $runs, private Clock $clock)
    {
    }

    /** @return list<Row> those whose day has changed are looked at anew meanwhile */
    public function rows(string $technicianId): array
    {
        return $this->scope->technician($technicianId, function () use ($technicianId): array {
            $rows = self::all();
            $yesterdays = array_filter(
                $rows,
                fn (object $row): bool => $row->summed_up_on < $this->clock->dateIn($row->zone),
            );
            if ($yesterdays !== []) {
                $this->runs->begin($technicianId, AuditReason::NewDay, array_values(
                    array_map(static fn (object $row): string => $row->id, $yesterdays),
                ));
            }

            return $rows;
        });
    }

    /** @return list<Row> */
    private static function all(): array
    {
        $instant = static fn (string $column): string => "to_char({$column} at time zone 'UTC', "
            . "'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"') as {$column}";

        /** @var list<Row> $rows */
        $rows = TenantRow::query()
            ->leftJoin('tenant_summaries', 'tenant_summaries.tenant_id', '=', 'tenants.id')
            ->leftJoin('technicians', 'technicians.id', '=', 'tenants.looked_after_by')
            ->orderBy('tenants.name')
            ->select([
                'tenants.id', 'key', 'tenants.name', 'stage', 'zone', 'region', 'head_revision', 'initials',
                'main_number', 'main_leads_to', 'objects', 'differences', 'pushed_revision', 'place', 'strip',
                'findings', 'drift_findings', 'callers_notice', 'next_on', 'next_what', 'summed_up_on',
            ])
            ->selectRaw($instant('live_read_at') . ', ' . $instant('pushed_at'))
            ->toBase()->get()->all();

        return $rows;
    }
}
