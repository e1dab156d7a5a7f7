<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Scope;
use App\Jobs\SumUpAnew;
use App\Models\Technician;
use App\Models\TenantRow;
use App\Models\TenantSummary;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Numbering\E164;

/** Every customer granted to the technician, a line each. */
final class RosterController extends Controller
{
    public function __construct(private readonly Scope $scope, private readonly Clock $clock)
    {
    }

    public function index(Request $request): JsonResponse
    {
        $technician = $this->technician($request)->id;

        return new JsonResponse($this->scope->technician($technician, function () use ($technician): array {
            $summaries = TenantSummary::query()->get()->keyBy('tenant_id');
            $technicians = Technician::query()->get(['id', 'initials', 'name'])->keyBy('id');
            $tenants = TenantRow::query()->orderBy('name')->get();
            $yesterdays = $tenants->filter(fn (TenantRow $tenant): bool => ($summaries->get($tenant->id)->summed_up_on ?? '') < $this->clock->dateIn($tenant->zone));
            if ($yesterdays->isNotEmpty()) {
                SumUpAnew::dispatch($technician, array_values($yesterdays->map(static fn (TenantRow $tenant): string => $tenant->id)->all()));
            }
            $lines = $tenants->map(static fn (TenantRow $tenant): array => self::line($tenant, $summaries->get($tenant->id), $technicians->get($tenant->looked_after_by ?? '')));

            return ['customers' => $lines->values()->all()];
        }));
    }

    /**
     * Of the book, and of drift as last read.
     *
     * @return array{blocker: int, error: int, warning: int, note: int}
     */
    private static function findings(?TenantSummary $summary): array
    {
        $count = static fn (string $weight): int => ($summary->findings[$weight] ?? 0) + ($summary->drift_findings[$weight] ?? 0);

        return ['blocker' => $count('blocker'), 'error' => $count('error'), 'warning' => $count('warning'), 'note' => $count('note')];
    }

    /** @return array<string, mixed> */
    private static function line(TenantRow $tenant, ?TenantSummary $summary, ?Technician $technician): array
    {
        return [
            'key' => $tenant->key,
            'name' => $tenant->name,
            'stage' => $tenant->stage,
            'zone' => $tenant->zone,
            'mainNumber' => $summary?->main_number === null ? null : E164::parse($summary->main_number)->display(),
            'leadsTo' => $summary?->main_leads_to,
            'objects' => $summary->objects ?? 0,
            'revision' => $tenant->head_revision,
            'differences' => $summary?->differences,
            'liveReadAt' => $summary?->live_read_at?->toAtomString(),
            'pushedRevision' => $summary?->pushed_revision,
            'pushedAt' => $summary?->pushed_at?->toAtomString(),
            'place' => $summary?->place,
            'region' => $tenant->region,
            'strip' => $summary?->strip,
            'findings' => self::findings($summary),
            'callersNotice' => $summary?->callers_notice,
            'next' => $summary?->next_on === null ? null : ['on' => $summary->next_on, 'what' => $summary->next_what],
            'lookedAfterBy' => $technician?->initials,
        ];
    }
}
