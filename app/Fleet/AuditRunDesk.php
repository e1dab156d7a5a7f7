<?php

declare(strict_types=1);

namespace App\Fleet;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Audit\AuditReason;
use App\Models\AuditRun;

/**
 * Audits of every customer granted to a technician: begun, looked at while they go on, stopped and gone on with.
 */
final readonly class AuditRunDesk
{
    public function __construct(private Scope $scope, private AuditRuns $runs, private ActivityLog $log)
    {
    }

    /** @return ?array<string, mixed> the last one, whoever's night it was */
    public function latest(string $technicianId): ?array
    {
        return $this->scope->technician($technicianId, fn (): ?array => $this->runs->latest($technicianId));
    }

    /** @return ?array<string, mixed> how far it is: what is asked again every second */
    public function progress(string $technicianId): ?array
    {
        return $this->scope->technician($technicianId, fn (): ?array => $this->runs->progress($technicianId));
    }

    /** @return ?array<string, mixed> */
    public function begin(string $technicianId): ?array
    {
        return $this->scope->technician($technicianId, function () use ($technicianId): ?array {
            $run = $this->runs->begin($technicianId, AuditReason::Asked);
            $this->log->note($technicianId, 'had every customer audited', ['count' => $run->total]);

            return $this->runs->latest($technicianId);
        });
    }

    /** @return array{bool, ?array<string, mixed>} whether there is such a run of theirs, and the last one */
    public function stop(string $technicianId, string $audit): array
    {
        return $this->change($technicianId, $audit, $this->runs->stop(...), 'stopped a run of audits');
    }

    /** @return array{bool, ?array<string, mixed>} */
    public function resume(string $technicianId, string $audit): array
    {
        return $this->change($technicianId, $audit, $this->runs->resume(...), 'went on with a run of audits');
    }

    /**
     * @param  callable(AuditRun): void  $how
     * @return array{bool, ?array<string, mixed>}
     */
    private function change(string $technicianId, string $audit, callable $how, string $what): array
    {
        return $this->scope->technician($technicianId, function () use ($technicianId, $audit, $how, $what): array {
            $run = AuditRun::query()->whereKey($audit)->where('technician_id', $technicianId)->first();
            if ($run !== null) {
                $how($run);
                $this->log->note($technicianId, $what);
            }

            return [$run !== null, $this->runs->latest($technicianId)];
        });
    }
}
