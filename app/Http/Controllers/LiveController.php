<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Scope;
use App\Audit\Audits;
use App\Book\BookRepository;
use App\Drift\Comparer;
use App\Drift\DriftReport;
use App\Drift\ImpactReport;
use App\Drift\LiveReader;
use App\Drift\Signatures;
use App\Drift\WaiverDesk;
use App\Http\Resources\FindingResource;
use App\Models\Ability;
use App\Models\LiveSnapshot;
use App\Models\TenantRow;
use App\Push\RunSheetStore;
use App\Roster\SummaryKeeper;
use App\Secrets\SecretKeeper;
use App\Switching\SwitchConnector;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\TwoBooks\Noticed;
use Jaunty\Core\Calls\Year\WeekStrip;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Provisioning\Planner;
use Jaunty\Core\Provisioning\Step;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Book against live: as last read, read again, and the run sheet a push would work through. */
final class LiveController extends Controller
{
    public function __construct(
        private readonly Scope $scope,
        private readonly BookRepository $books,
        private readonly SwitchConnector $switch,
        private readonly Comparer $comparer,
        private readonly Signatures $signatures,
        private readonly SecretKeeper $secrets,
        private readonly Clock $clock,
    ) {
    }

    public function show(Request $request, string $customer): JsonResponse
    {
        return new JsonResponse($this->report($this->technician($request)->id, $customer));
    }

    public function read(Request $request, string $customer, LiveReader $reader): JsonResponse
    {
        $technician = $this->technician($request);
        $reading = $reader->read($technician->id, $customer);

        return new JsonResponse(['onSwitch' => $reading !== null] + $this->report($technician->id, $customer));
    }

    /** What callers notice of what the switch holds instead of the book. */
    public function impact(Request $request, string $customer, Audits $audits): JsonResponse
    {
        $read = $this->scope->tenant(
            $this->technician($request)->id,
            $customer,
            Ability::Read,
            function (TenantRow $tenant) use ($audits): ?array {
                $book = $this->books->head($tenant->id);
                $snapshot = LiveSnapshot::query()->where('tenant_id', $tenant->id)->orderByDesc('serial')->first();

                if ($snapshot === null) {
                    return null;
                }
                $compared = $this->comparer->compare($tenant->id, $book, BookFormat::fromLiveValue($snapshot->book));

                return [
                    $compared,
                    $snapshot->read_at->toAtomString(),
                    $compared->changedThere() === []
                        ? []
                        : $audits->added($tenant->id, $compared->asPushed(), $compared->live),
                ];
            },
        );
        if ($read === null) {
            return new JsonResponse([
                'readAt' => null, 'impact' => null, 'strips' => null, 'findings' => [], 'noticed' => [], 'brings' => [],
            ]);
        }
        [$compared, $readAt, $brings] = $read;
        $inspection = $compared->inspection($this->clock->now()->getTimestamp());

        return new JsonResponse([
            'readAt' => $readAt,
            'impact' => ImpactReport::of(
                $inspection->book,
                $compared->live,
                $inspection->difference(),
                $inspection->dayBegan(),
                $inspection->now,
            ),
            'strips' => [
                'book' => WeekStrip::ofMain($inspection->book, $inspection->now)?->toArray(),
                'live' => WeekStrip::ofMain($compared->live, $inspection->now)?->toArray(),
            ],
            'findings' => array_map(
                static fn (Finding $finding): array => FindingResource::of($finding, $compared->target),
                Auditor::ofDrift()->audit($inspection),
            ),
            'brings' => array_map(
                static fn (Finding $finding): array => FindingResource::of($finding, $compared->live),
                $brings,
            ),
            'noticed' => array_map(
                static fn (Operation $each): array => ['object' => (string) $each->object, 'path' => $each->path],
                $inspection->difference() === null
                    ? []
                    : Noticed::of($compared->live, $compared->changedThere(), $inspection->dayBegan()),
            ),
        ]);
    }

    /** Accepts one difference as it is, with a reason and until a day. */
    public function waive(Request $request, string $customer, WaiverDesk $desk): JsonResponse
    {
        $technician = $this->technician($request);
        /** @var array{object: string, path?: ?string, reason: string, until?: ?string} $given */
        $given = $request->validate([
            'object' => ['required', 'string', 'max:200'], 'path' => ['nullable', 'string', 'max:300'],
            'reason' => ['required', 'string', 'max:500'],
            'until' => ['bail', 'nullable', 'string', 'date_format:Y-m-d'],
        ]);
        $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            static function (TenantRow $tenant) use ($desk, $technician, $given): void {
                $desk->waive(
                    $tenant,
                    $technician->id,
                    $given['object'],
                    $given['path'] ?? null,
                    $given['reason'],
                    $given['until'] ?? null,
                );
            },
        );

        return new JsonResponse($this->report($technician->id, $customer), 201);
    }

    public function takeWaiverBack(Request $request, string $customer, string $waiver, WaiverDesk $desk): JsonResponse
    {
        $technician = $this->technician($request);
        $ended = $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            static fn (TenantRow $tenant): bool => Str::isUuid($waiver)
                && $desk->takeBack($tenant, $technician->id, $waiver),
        );

        return $ended ? new JsonResponse($this->report($technician->id, $customer)) : throw new NotFoundHttpException();
    }

    /** Notes that the customer put their name to a revision. */
    public function sign(Request $request, string $customer, SummaryKeeper $summaries): JsonResponse
    {
        $technician = $this->technician($request);
        /** @var array{revision: int, by: string} $given */
        $given = $request->validate([
            'revision' => ['required', 'integer:strict', 'min:1', 'max:2147483647'],
            'by' => ['required', 'string', 'max:120'],
        ]);
        $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technician, $given, $summaries): void {
                if ($given['revision'] > $tenant->head_revision) {
                    throw ValidationException::withMessages([
                        'revision' => "there is no revision {$given['revision']} yet; the newest is "
                            . "{$tenant->head_revision}",
                    ]);
                }
                // A day that somebody types is no evidence: it is the day on which it was noted.
                $this->signatures->sign(
                    $tenant,
                    $technician->id,
                    $given['revision'],
                    $given['by'],
                    $this->clock->dateIn($tenant->zone),
                );
                $summaries->findingsSifted($tenant->id, $this->books->head($tenant->id));
            },
        );

        return new JsonResponse($this->report($technician->id, $customer), 201);
    }

    /** @return array<string, mixed> */
    private function report(string $technicianId, string $customer): array
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Read, function (TenantRow $tenant): array {
            $book = $this->books->head($tenant->id);
            $snapshot = LiveSnapshot::query()->where('tenant_id', $tenant->id)->orderByDesc('serial')->first();
            $compared = $snapshot === null
                ? null
                : $this->comparer->compare($tenant->id, $book, BookFormat::fromLiveValue($snapshot->book));
            $signed = $this->signatures->newest($tenant->id);
            $report = $snapshot === null || $compared === null
                ? null
                : DriftReport::of($compared, $snapshot, $signed[1] ?? null);

            return [
                'onSwitch' => $snapshot !== null,
                'pinsToTell' => $this->secrets->toTell($tenant->id, $book),
                'readAt' => $snapshot?->read_at->toAtomString(),
                'differences' => array_map(get_object_vars(...), $report->differences ?? []),
                'left' => array_map(get_object_vars(...), $report->left ?? []),
                'waived' => array_map(static fn (array $waived): array => [
                    'difference' => get_object_vars($waived[0]), 'id' => $waived[1]->id, 'reason' => $waived[1]->reason,
                    'until' => $waived[1]->until, 'by' => $waived[1]->technician->name,
                    'at' => $waived[1]->made_at->toAtomString(),
                ], $report->waived ?? []),
                'signed' => $signed === null ? null : [
                    'revision' => $signed[0]->revision, 'by' => $signed[0]->signed_by, 'on' => $signed[0]->signed_on,
                    'since' => array_map(get_object_vars(...), DriftReport::sinceSigned($signed[1], $book)),
                ],
                'runSheet' => array_map(
                    static fn (Step $step): array => [
                        'kind' => $step->kind->value,
                        'object' => (string) $step->object,
                        'label' => RunSheetStore::label($step, $book, $compared?->live),
                        'fields' => array_keys($step->fields),
                    ],
                    ($compared === null ? Planner::plan(null, $this->switch->carried($book)) : Planner::plan(
                        $compared->live,
                        $compared->target,
                    ))->steps,
                ),
            ];
        });
    }
}
