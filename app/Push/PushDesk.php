<?php

declare(strict_types=1);

namespace App\Push;

use App\Activity\ActivityLog;
use App\Models\Push;
use App\Models\PushStatus;
use App\Models\TenantRow;
use App\Time\Clock;
use Illuminate\Support\Str;

/** Where pushes are asked for and stopped; the work itself is PushRunner's. Both inside the customer's scope. */
final readonly class PushDesk
{
    public function __construct(private ActivityLog $log, private Clock $clock)
    {
    }

    /**
     * @param  ?list<array{object: string, field: ?string}>  $scope  null for the whole book
     *
     * @throws PushUnderWay
     */
    public function ask(TenantRow $tenant, string $technicianId, ?array $scope): Push
    {
        // The row lock makes the check sure; the index on pushes under way would refuse a second one all the same.
        TenantRow::query()->whereKey($tenant->id)->lockForUpdate()->firstOrFail();
        if (
            Push::query()->where('tenant_id', $tenant->id)
            ->whereIn('status', [PushStatus::Queued, PushStatus::Running])
            ->exists()
        ) {
            throw new PushUnderWay();
        }
        $id = (string) Str::uuid();
        Push::query()->insert([
            'tenant_id' => $tenant->id,
            'id' => $id,
            'technician_id' => $technicianId,
            'revision' => $tenant->head_revision,
            'scope' => $scope === null ? null : json_encode($scope, JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR),
            'status' => PushStatus::Queued->value,
            'requested_at' => $this->clock->now(),
        ]);
        $this->log->noteOf($tenant->id, $technicianId, 'push asked for', ['revision' => $tenant->head_revision]);
        CarryOnPush::dispatch($tenant->id, $technicianId, $id)->afterCommit();

        return Push::query()->where('tenant_id', $tenant->id)->whereKey($id)->firstOrFail();
    }

    /** Ends a push between two steps; what was done stays done. */
    public function stop(Push $push, string $who): void
    {
        if ($push->status->isUnderWay()) {
            Push::query()->where('tenant_id', $push->tenant_id)->whereKey($push->id)->update([
                'status' => PushStatus::Stopped,
                'reason' => "stopped by {$who}",
                'ended_at' => $this->clock->now(),
            ]);
        }
    }
}
