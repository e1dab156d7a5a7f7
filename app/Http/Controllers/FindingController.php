<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Audit\Digest;
use App\Audit\FindingFixes;
use App\Audit\FindingReports;
use App\Audit\FindingTrend;
use App\Http\Resources\MendedResource;
use App\Models\Ability;
use App\Models\FindingRow;
use App\Models\Technician;
use App\Models\TenantRow;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * What stands at every customer granted to the technician, a line each: listed, handed out, seen to, mended at many at
 * once.
 */
final class FindingController extends Controller
{
    /** Of one customer's findings; nobody mends more at once. */
    private const MOST_FIXES = 200;

    private const MOST_EXPORTED = 10_000;

    public function __construct(private readonly Scope $scope)
    {
    }

    public function index(Request $request, FindingTrend $trend): JsonResponse
    {
        $technician = $this->technician($request);
        $scope = $this->scope;

        return new JsonResponse($scope->technician($technician->id, static fn (): array => [
            'findings' => self::lines(),
            'trend' => $trend->days(),
            // Whoever may do nothing here sees no colleagues either.
            'technicians' => ! $scope->hasAnyGrant($technician->id)
                ? []
                : Technician::query()->whereNull('closed_at')->orderBy('name')->get()->map(
                    static fn (Technician $each): array => [
                        'id' => $each->id,
                        'name' => $each->name,
                        'initials' => $each->initials,
                    ],
                )->all(),
            'me' => $technician->id,
            'digest' => $technician->digest,
        ]));
    }

    /** @return array<mixed> */
    private static function lines(): array
    {
        return FindingRow::query()
            ->join('tenants', 'tenants.id', '=', 'findings.tenant_id')
            ->orderBy('tenants.name')->orderBy('rule')->orderBy('title')
            ->select([
                'tenants.key as customer', 'tenants.name', 'tenants.zone', 'rule', 'severity', 'title', 'detail',
                'object', 'count', 'waived', 'fingerprint', 'fix', 'first_revision as revision',
                'assignee_id as assignee', 'due_on as due',
            ])
            ->selectRaw(
                "to_char(first_seen at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"') as \"firstSeen\", "
                    . "to_char(last_seen at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"') as \"lastSeen\"",
            )
            ->toBase()->get()->all();
    }

    /** As a file for other programs: the findings that are named, in their order. */
    public function export(Request $request, FindingReports $reports, ActivityLog $log): Response
    {
        /** @var array{format: string, of: list<array{customer: string, fingerprint: string}>} $given */
        $given = $request->validate([
            'format' => ['required', 'in:csv,json,sarif,junit'],
            'of' => ['present', 'array', 'max:' . self::MOST_EXPORTED],
            'of.*.customer' => ['required', 'string', 'max:100'],
            'of.*.fingerprint' => ['required', 'string', 'max:64'],
        ]);
        [$type, $text] = $this->scope->technician(
            $this->technician($request)->id,
            static fn (): array => $reports->write($given['format'], $given['of']),
        );

        $log->note($this->technician($request)->id, 'exported findings', [
            'format' => $given['format'],
            'count' => (string) count($given['of']),
        ]);

        return new Response($text, 200, ['Content-Type' => $type]);
    }

    /** Who sees to a finding, and until when. */
    public function care(Request $request, string $customer, string $fingerprint): JsonResponse
    {
        /** @var array{assignee: ?string, due: ?string} $given */
        $given = $request->validate(['assignee' => ['present', 'nullable', 'uuid', 'exists:technicians,id'], 'due' => [
            'present', 'bail', 'nullable', 'string', 'date_format:Y-m-d',
        ]]);
        $this->scope->tenant(
            $this->technician($request)->id,
            $customer,
            Ability::Edit,
            static function (TenantRow $tenant) use ($fingerprint, $given): void {
                if (
                    FindingRow::query()->where('tenant_id', $tenant->id)
                    ->where('fingerprint', $fingerprint)
                    ->update(['assignee_id' => $given['assignee'], 'due_on' => $given['due']]) === 0
                ) {
                    throw new NotFoundHttpException();
                }
            },
        );

        return new JsonResponse($given);
    }

    /** What the fixes of some findings would change in the book as entered; with `enter`, entered as a revision. */
    public function fix(Request $request, string $customer, FindingFixes $fixes): JsonResponse
    {
        $technician = $this->technician($request)->id;
        /** @var array{fingerprints: list<string>, enter: bool, note?: ?string} $given */
        $given = $request->validate([
            'fingerprints' => ['required', 'array', 'max:' . self::MOST_FIXES],
            'fingerprints.*' => ['string', 'max:64'],
            'enter' => ['required', 'boolean'], 'note' => ['nullable', 'string', 'max:500'],
        ]);
        $isEntered = (bool) $given['enter'];

        return new JsonResponse($this->scope->tenant(
            $technician,
            $customer,
            $isEntered ? Ability::Edit : Ability::Read,
            static fn (TenantRow $tenant): array => MendedResource::of(
                $fixes->make($tenant, $technician, $given['fingerprints'], $isEntered, $given['note'] ?? null),
            ),
        ));
    }

    /** Whether what is new is mailed each morning. */
    public function digest(Request $request): Response
    {
        $technician = $this->technician($request);
        $technician->forceFill(['digest' => $request->boolean('wanted')])->save();

        return new Response(status: 204);
    }

    /** The letter of today, now. */
    public function mail(Request $request, Digest $digest): JsonResponse
    {
        $technician = $this->technician($request);

        return new JsonResponse(['told' => $digest->sendTo($technician), 'to' => $technician->sign_in]);
    }
}
