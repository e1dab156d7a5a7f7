<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Scope;
use App\Models\FindingRow;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What stands at every customer granted to the technician, a line each. */
final class FindingController extends Controller
{
    public function __construct(private readonly Scope $scope)
    {
    }

    public function index(Request $request): JsonResponse
    {
        return new JsonResponse(['findings' => $this->scope->technician($this->technician($request)->id, static fn (): array => FindingRow::query()
            ->join('tenants', 'tenants.id', '=', 'findings.tenant_id')
            ->orderBy('tenants.name')->orderBy('rule')->orderBy('title')
            ->select(['tenants.key as customer', 'tenants.name', 'rule', 'severity', 'title', 'detail', 'object', 'count', 'waived', 'fingerprint'])
            ->selectRaw("to_char(first_seen at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"') as \"firstSeen\"")
            ->toBase()->get()->all())]);
    }
}
