<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Scope;
use App\Audit\AuditReason;
use App\Fleet\AuditRuns;
use App\Models\TenantRow;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Audit\Severity;

/**
 * Every customer granted to the technician, a line each. A thousand lines are one query, and no line is made a model.
 *
 * @phpstan-type Row object{id: string, key: string, name: string, stage: string, zone: string, region: ?string,
 *     head_revision: int, initials: ?string, main_number: ?string, main_leads_to: ?string, objects: ?int,
 *     differences: ?int, pushed_revision: ?int, place: ?string, strip: ?string, findings: ?string,
 *     drift_findings: ?string, callers_notice: ?bool, next_on: ?string, next_what: ?string,
 *     summed_up_on: ?string, live_read_at: ?string,
 *     pushed_at: ?string}&\stdClass
 */
final class RosterController extends Controller
{
    public function __construct(
        private readonly Scope $scope,
        private readonly AuditRuns $runs,
        private readonly Clock $clock,
    ) {
    }

    public function index(Request $request): JsonResponse
    {
        $technician = $this->technician($request)->id;
        $lines = $this->scope->technician($technician, function () use ($technician): array {
            $rows = self::rows();
            $yesterdays = array_filter(
                $rows,
                fn (object $row): bool => $row->summed_up_on < $this->clock->dateIn($row->zone),
            );
            if ($yesterdays !== []) {
                $this->runs->begin($technician, AuditReason::NewDay, array_values(
                    array_map(static fn (object $row): string => $row->id, $yesterdays),
                ));
            }

            return array_map(self::line(...), $rows);
        });

        return JsonResponse::fromJsonString('{"customers":[' . implode(',', $lines) . ']}');
    }

    /** @return list<Row> */
    private static function rows(): array
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

    /**
     * A line in JSON. The week is stored as it is sent, and most of the line: it is not taken apart on the way.
     *
     * @param  Row  $row
     */
    private static function line(object $row): string
    {
        $line = json_encode([
            'key' => $row->key,
            'name' => $row->name,
            'stage' => $row->stage,
            'zone' => $row->zone,
            'mainNumber' => $row->main_number,
            'leadsTo' => $row->main_leads_to,
            'objects' => $row->objects ?? 0,
            'revision' => $row->head_revision,
            'differences' => $row->differences,
            'liveReadAt' => $row->live_read_at,
            'pushedRevision' => $row->pushed_revision,
            'pushedAt' => $row->pushed_at,
            'place' => $row->place,
            'region' => $row->region,
            'findings' => self::findings($row->findings, $row->drift_findings),
            'callersNotice' => $row->callers_notice,
            'next' => $row->next_on === null ? null : ['on' => $row->next_on, 'what' => $row->next_what],
            'lookedAfterBy' => $row->initials,
        ], JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);

        return substr($line, 0, -1) . ',"strip":' . ($row->strip ?? 'null') . '}';
    }

    /**
     * Of the book, and of drift as last read.
     *
     * @return array<string, int> by weight
     */
    private static function findings(?string ...$counted): array
    {
        $sum = array_fill_keys(array_column(Severity::cases(), 'value'), 0);
        foreach ($counted as $json) {
            foreach ((array) json_decode($json ?? '{}', true) as $weight => $count) {
                $sum[$weight] += is_int($count) ? $count : 0;
            }
        }

        return $sum;
    }
}
