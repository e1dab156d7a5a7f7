<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Scope;
use App\Models\Technician;
use App\Models\TenantRow;
use App\Models\TenantSummary;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Numbering\E164;

/** Every customer granted to the technician, a line each. */
final class RosterController extends Controller
{
    public function __construct(private readonly Scope $scope)
    {
    }

    public function index(Request $request): JsonResponse
    {
        return new JsonResponse($this->scope->technician($this->technician($request)->id, static function (): array {
            $summaries = TenantSummary::query()->get()->keyBy('tenant_id');
            $technicians = Technician::query()->get(['id', 'initials', 'name'])->keyBy('id');
            $lines = TenantRow::query()->orderBy('name')->get()->map(
                static fn (TenantRow $tenant): array => self::line($tenant, $summaries->get($tenant->id), $technicians->get($tenant->looked_after_by ?? '')),
            );

            return ['customers' => $lines->values()->all()];
        }));
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
            'lookedAfterBy' => $technician?->initials,
        ];
    }
}
