<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Ability;
use App\Access\Scope;
use App\Book\BookRepository;
use App\Drift\Difference;
use App\Drift\DriftReport;
use App\Drift\ImpactReport;
use App\Drift\LiveReader;
use App\Models\LiveSnapshot;
use App\Models\TenantRow;
use App\Push\RunSheetStore;
use App\Switching\SwitchConnector;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Provisioning\Planner;
use Jaunty\Core\Provisioning\Step;

/** Book against live: as last read, read again, and the run sheet a push would work through. */
final class LiveController extends Controller
{
    public function __construct(private readonly Scope $scope, private readonly BookRepository $books, private readonly SwitchConnector $switch, private readonly Clock $clock)
    {
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
    public function impact(Request $request, string $customer): JsonResponse
    {
        $books = $this->scope->tenant($this->technician($request)->id, $customer, Ability::Read, function (TenantRow $tenant): ?array {
            $book = $this->books->head($tenant->id);
            $snapshot = LiveSnapshot::query()->where('tenant_id', $tenant->id)->orderByDesc('serial')->first();

            return $snapshot === null ? null : [$book, $this->switch->beside(BookFormat::fromLiveValue($snapshot->book), $book), $snapshot->read_at->toAtomString()];
        });
        if ($books === null) {
            return new JsonResponse(['readAt' => null, 'impact' => null]);
        }

        return new JsonResponse(['readAt' => $books[2], 'impact' => ImpactReport::between($books[0], $books[1], $this->clock->now()->getTimestamp())]);
    }

    /** @return array<string, mixed> */
    private function report(string $technicianId, string $customer): array
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Read, function (TenantRow $tenant): array {
            $book = $this->books->head($tenant->id);
            $snapshot = LiveSnapshot::query()->where('tenant_id', $tenant->id)->orderByDesc('serial')->first();
            $live = $snapshot === null ? null : $this->switch->beside(BookFormat::fromLiveValue($snapshot->book), $book);
            $report = $snapshot === null || $live === null ? null : DriftReport::of($book, $live, $snapshot);

            return [
                'onSwitch' => $snapshot !== null,
                'readAt' => $snapshot?->read_at->toAtomString(),
                'differences' => array_map(static fn (Difference $difference): array => get_object_vars($difference), $report->differences ?? []),
                'runSheet' => array_map(static fn (Step $step): array => [
                    'kind' => $step->kind->value,
                    'object' => (string) $step->object,
                    'label' => RunSheetStore::label($step, $book, $live),
                    'fields' => array_keys($step->fields),
                ], ($live === null ? Planner::plan(null, $this->switch->carried($book)) : Planner::plan($live, $book))->steps),
            ];
        });
    }
}
