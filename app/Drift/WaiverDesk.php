<?php

declare(strict_types=1);

namespace App\Drift;

use App\Activity\ActivityLog;
use App\Book\BookRepository;
use App\Book\CannotWaive;
use App\Models\DriftWaiver;
use App\Models\LiveSnapshot;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;
use App\Time\Clock;
use Illuminate\Support\Str;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Change\OperationKind;

/** Drift that is accepted, with a reason and until a day, and taken back. Inside the customer's scope. */
final readonly class WaiverDesk
{
    public function __construct(
        private BookRepository $books,
        private Comparer $comparer,
        private SummaryKeeper $summaries,
        private ActivityLog $log,
        private Clock $clock,
    ) {
    }

    /**
     * @param  ?string  $path  of the field; null for a whole object that only the switch has
     * @param  ?string  $until  a date, by the customer's calendar
     *
     * @throws CannotWaive
     */
    public function waive(
        TenantRow $tenant,
        string $technicianId,
        string $object,
        ?string $path,
        string $reason,
        ?string $until,
    ): void {
        if ($until !== null && $until < $this->clock->dateIn($tenant->zone)) {
            throw CannotWaive::past();
        }
        $operation = $this->difference($tenant, $object, $path) ?? throw CannotWaive::nothingThere();
        if ($operation->kind === OperationKind::Delete) {
            throw CannotWaive::missing();
        }
        DriftWaiver::query()->insert([
            'tenant_id' => $tenant->id,
            'id' => (string) Str::uuid(),
            'object' => $object,
            'path' => $path,
            'live' => json_encode(
                $operation->after,
                JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            ),
            'reason' => $reason,
            'until' => $until,
            'technician_id' => $technicianId,
            'made_at' => $this->clock->now(),
        ]);
        $this->changed($tenant, $technicianId, 'drift waived', ['object' => $object, 'path' => $path]);
    }

    public function takeBack(TenantRow $tenant, string $technicianId, string $id): bool
    {
        $ended = DriftWaiver::query()->where('tenant_id', $tenant->id)->whereKey($id)->whereNull('ended_at')->update(
            ['ended_at' => $this->clock->now()],
        );
        if ($ended > 0) {
            $this->changed($tenant, $technicianId, 'waiver taken back', ['waiver' => $id]);
        }

        return $ended > 0;
    }

    private function difference(TenantRow $tenant, string $object, ?string $path): ?Operation
    {
        foreach ($this->compared($tenant)->drift ?? [] as $operation) {
            if ((string) $operation->object === $object && $operation->path === $path) {
                return $operation;
            }
        }

        return null;
    }

    private function compared(TenantRow $tenant): ?Comparison
    {
        $snapshot = LiveSnapshot::query()->where('tenant_id', $tenant->id)->orderByDesc('serial')->first();

        return $snapshot === null
            ? null
            : $this->comparer->compare($tenant, $this->books->head($tenant->id), BookFormat::fromLiveValue(
                $snapshot->book,
            ));
    }

    /** @param array<string, mixed> $detail */
    private function changed(TenantRow $tenant, string $technicianId, string $what, array $detail): void
    {
        $this->log->noteOf($tenant->id, $technicianId, $what, $detail);
        $compared = $this->compared($tenant);
        if ($compared !== null) {
            $this->summaries->driftWeighed($tenant->id, $compared->inspection($this->clock->now()->getTimestamp()));
        }
    }
}
