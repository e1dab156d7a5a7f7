<?php

declare(strict_types=1);

namespace App\Push;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\House\House;
use App\House\PushGate;
use App\Models\Ability;
use App\Models\FindingRow;
use App\Models\Push;
use App\Models\PushStatus;
use App\Models\PushStep;
use App\Models\Technician;
use App\Models\TenantRow;
use App\Time\Clock;
use Illuminate\Support\Collection;
use Illuminate\Support\Str;
use Jaunty\Core\Audit\Severity;

/** Where pushes are looked at, asked for and stopped; the work itself is PushRunner's. */
final readonly class PushDesk
{
    private const MOST_SHOWN = 20;

    public function __construct(
        private Scope $scope,
        private ActivityLog $log,
        private Clock $clock,
        private House $house,
    ) {
    }

    /** @return list<array{Push, Collection<int, PushStep>}> each with its steps, the newest first */
    public function all(string $technicianId, string $customer): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            static function (TenantRow $tenant): array {
                $pushes = Push::query()->where('tenant_id', $tenant->id)
                    ->with('technician')
                    ->orderByDesc('serial')
                    ->limit(self::MOST_SHOWN)
                    ->get();
                /** @var array<string, Collection<int, PushStep>> $steps */
                $steps = PushStep::query()->where('tenant_id', $tenant->id)
                    ->whereIn('push_id', $pushes->pluck('id'))
                    ->orderBy('position')
                    ->get()
                    ->groupBy('push_id')
                    ->all();

                return array_values($pushes->map(
                    static fn (Push $push): array => [$push, $steps[$push->id] ?? new Collection()],
                )->all());
            },
        );
    }

    /** @return ?array{Push, Collection<int, PushStep>} with its steps; null where there is no such push */
    public function one(string $technicianId, string $customer, string $id): ?array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            static fn (TenantRow $tenant): ?array => self::withSteps($tenant, $id),
        );
    }

    /**
     * @param  ?list<array{object: string, field: ?string}>  $only  null for the whole book
     * @return array{Push, Collection<int, PushStep>}
     */
    public function begin(string $technicianId, string $customer, ?array $only): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Push,
            fn (TenantRow $tenant): array => [
                $this->ask($tenant, $technicianId, $only)->load('technician'), new Collection(),
            ],
        );
    }

    /** @return ?array{Push, Collection<int, PushStep>} as it stands then; null where there is no such push */
    public function halt(Technician $technician, string $customer, string $id): ?array
    {
        return $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Push,
            function (TenantRow $tenant) use ($technician, $id): ?array {
                $found = self::withSteps($tenant, $id);
                if ($found === null) {
                    return null;
                }
                $this->stop($found[0], $technician->name);
                $this->log->noteOf($tenant->id, $technician->id, 'push stopped', ['revision' => $found[0]->revision]);

                return self::withSteps($tenant, $id);
            },
        );
    }

    /** @return ?array{Push, Collection<int, PushStep>} */
    private static function withSteps(TenantRow $tenant, string $id): ?array
    {
        $push = Str::isUuid($id)
            ? Push::query()->where('tenant_id', $tenant->id)->whereKey($id)->with('technician')->first()
            : null;

        return $push === null ? null : [
            $push,
            PushStep::query()->where('tenant_id', $tenant->id)->where('push_id', $id)->orderBy('position')->get(),
        ];
    }

    /**
     * In the customer's scope.
     *
     * @param  ?list<array{object: string, field: ?string}>  $scope  null for the whole book
     *
     * @throws PushUnderWay
     * @throws GateShut
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
        $this->passGate($tenant, $technicianId);
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

    /** @throws GateShut */
    private function passGate(TenantRow $tenant, string $technicianId): void
    {
        $gate = $this->house->settings()->pushWithBlockers;
        if (
            $gate === PushGate::Open
            || $gate === PushGate::Leads && Technician::query()->find($technicianId)?->lead === true
        ) {
            return;
        }
        $blockers = FindingRow::query()->where('tenant_id', $tenant->id)
            ->where('severity', Severity::Blocker->value)
            ->where('waived', false)
            ->count();
        if ($blockers > 0) {
            throw new GateShut($blockers, $gate === PushGate::Leads);
        }
    }

    /** Ends a push between two steps; what was done stays done. In the customer's scope. */
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
