<?php

declare(strict_types=1);

namespace App\Fleet;

use App\Audit\AuditReason;
use App\Models\AuditedCustomer;
use App\Models\AuditRun;
use App\Models\FindingRow;
use App\Models\TenantRow;
use App\Time\Clock;
use Illuminate\Support\Facades\Bus;
use Illuminate\Support\Str;

/** Audits of many customers: a job each, in a batch that can be stopped and gone on with. */
final readonly class AuditRuns
{
    public function __construct(private Clock $clock)
    {
    }

    /**
     * In the technician's scope. One that is under way for the same reason is gone on with instead of begun twice.
     *
     * @param  ?list<string>  $tenantIds  every customer granted, where it is unset
     */
    public function begin(string $technicianId, AuditReason $reason, ?array $tenantIds = null): AuditRun
    {
        $underWay = AuditRun::query()->where(
            'technician_id',
            $technicianId,
        )->where('reason', $reason->value)->whereNull('ended_at')->whereNull('stopped_at')->orderByDesc('no')->first();
        if ($underWay !== null && self::isWorkedOn($underWay)) {
            return $underWay;
        }
        $underWay?->forceFill(['stopped_at' => $this->clock->now()])->save();
        $tenantIds ??= TenantRow::query()->orderBy('name')->pluck('id')->all();
        $run = new AuditRun();
        $run->forceFill([
            'id' => (string) Str::uuid(), 'technician_id' => $technicianId, 'reason' => $reason->value,
            'tenant_ids' => $tenantIds,
            'total' => count($tenantIds), 'begun_at' => $this->clock->now(),
            'ended_at' => $tenantIds === [] ? $this->clock->now() : null,
        ])->save();
        $this->dispatch($run, array_values(array_filter($tenantIds, is_string(...))));

        return $run;
    }

    /** What is being looked at is looked at to its end; nothing more is begun. */
    public function stop(AuditRun $run): void
    {
        if ($run->ended_at === null && $run->stopped_at === null) {
            Bus::findBatch((string) $run->batch_id)?->cancel();
            $run->forceFill(['stopped_at' => $this->clock->now()])->save();
        }
    }

    /** Goes on with the customers that it is not done with. In the technician's scope. */
    public function resume(AuditRun $run): void
    {
        if ($run->ended_at === null && $run->stopped_at !== null) {
            $left = $this->left($run);
            $run->forceFill(['stopped_at' => null, 'counted' => $run->total - count($left)])->save();
            $this->dispatch($run, $left);
            $this->settle($run->id);
        }
    }

    /**
     * Its jobs are gone, and it is not done: they are begun anew. What failed for good is not gone, and would fail
     * again for ever. In the technician's scope.
     */
    public function takeUp(string $runId): void
    {
        $run = AuditRun::query()->whereKey($runId)->whereNull('ended_at')->whereNull('stopped_at')->first();
        if ($run !== null && self::isWorkedOn($run)) {
            $left = $this->left($run);
            $run->forceFill(['counted' => $run->total - count($left)])->save();
            $this->dispatch($run, $left);
            $this->settle($run->id);
        }
    }

    /**
     * In the customer's scope; safe to say twice.
     *
     * @param  ?string  $trouble  why it could not be looked at whole
     */
    public function done(string $runId, string $tenantId, int $milliseconds, ?string $trouble): void
    {
        $isNew = AuditedCustomer::query()->insertOrIgnore([
            'run_id' => $runId, 'tenant_id' => $tenantId, 'milliseconds' => $milliseconds, 'trouble' => $trouble,
            'done_at' => $this->clock->now(),
            'findings' => FindingRow::query()->where('tenant_id', $tenantId)->where('waived', false)->count(),
        ]) === 1;
        if ($isNew) {
            $this->count($runId);
        }
    }

    /** One customer less to wait for: looked at, or gone meanwhile. */
    public function count(string $runId): void
    {
        AuditRun::query()->whereKey($runId)->increment('counted');
    }

    /**
     * How far the last run is, in as little as a page that waits needs. In the technician's scope.
     *
     * @return ?array{id: string, state: string, done: int, total: int}
     */
    public function progress(string $technicianId): ?array
    {
        $run = $this->last($technicianId, ['id', 'no', 'stopped_at', 'ended_at', 'total', 'counted']);

        return $run === null
            ? null
            : [
                'id' => $run->id, 'state' => self::state($run), 'done' => min($run->counted, $run->total),
                'total' => $run->total,
            ];
    }

    private static function state(AuditRun $run): string
    {
        return $run->ended_at !== null ? 'ended' : ($run->stopped_at !== null ? 'stopped' : 'running');
    }

    /** @param list<string> $columns */
    private function last(string $technicianId, array $columns = ['*']): ?AuditRun
    {
        return AuditRun::query()->where('technician_id', $technicianId)
            ->whereIn('reason', [AuditReason::Asked->value, AuditReason::Nightly->value])
            ->orderByDesc('no')
            ->first($columns);
    }

    /**
     * The last run that reads the switch, with how far it is. In the technician's scope.
     *
     * @return ?array<string, mixed>
     */
    public function latest(string $technicianId): ?array
    {
        $run = $this->last($technicianId);
        if ($run === null) {
            return null;
        }
        $done = AuditedCustomer::query()->join('tenants', 'tenants.id', '=', 'audited_customers.tenant_id')
            ->where('run_id', $run->id)
            ->orderBy('tenants.name')
            ->toBase()
            ->select(['tenants.key as customer', 'tenants.name', 'findings', 'milliseconds', 'trouble'])->get()->all();

        return [
            'id' => $run->id,
            'reason' => $run->reason,
            'state' => self::state($run),
            'begunAt' => $run->begun_at->toAtomString(),
            'endedAt' => $run->ended_at?->toAtomString(),
            'done' => $done,
            'waiting' => $run->ended_at !== null ? [] : TenantRow::query()->whereIn('id', $this->left($run))->orderBy(
                'name',
            )->toBase()->get(['key as customer', 'name'])->all(),
        ];
    }

    /**
     * Ends it when no customer is left. In the technician's scope: who left meanwhile, or is no longer granted, is not
     * waited for. Who is left is asked only when as many were counted as there are: asked after each, a run would cost
     * its square.
     */
    public function settle(string $runId): void
    {
        $run = AuditRun::query()->whereKey($runId)
            ->whereColumn('counted', '>=', 'total')
            ->whereNull('ended_at')
            ->lockForUpdate()
            ->first();
        if (
            $run !== null
            && $run->ended_at === null
            && TenantRow::query()->whereIn('id', $this->left($run))->doesntExist()
        ) {
            $run->forceFill(['ended_at' => $this->clock->now()])->save();
        }
    }

    /** @return list<string> customers that it is not done with */
    private function left(AuditRun $run): array
    {
        $done = array_filter(
            AuditedCustomer::query()->where('run_id', $run->id)->pluck('tenant_id')->all(),
            is_string(...),
        );

        return array_values(array_diff($run->tenant_ids, $done));
    }

    /** Whether any of its jobs is still to come: one that failed for good would be waited for in vain. */
    private static function isWorkedOn(AuditRun $run): bool
    {
        $batch = Bus::findBatch((string) $run->batch_id);

        return $batch !== null && ! $batch->cancelled() && $batch->pendingJobs > $batch->failedJobs;
    }

    /** @param list<string> $tenantIds */
    private function dispatch(AuditRun $run, array $tenantIds): void
    {
        if ($tenantIds !== []) {
            $jobs = array_map(
                static fn (string $id): AuditCustomer => new AuditCustomer(
                    $run->id,
                    $run->technician_id,
                    $id,
                    AuditReason::from($run->reason),
                ),
                $tenantIds,
            );
            $run->forceFill(
                ['batch_id' => Bus::batch($jobs)->name("audit {$run->id}")->allowFailures()->dispatch()->id],
            )->save();
        }
    }
}
