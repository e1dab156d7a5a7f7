<?php

declare(strict_types=1);

namespace App\Audit;

use App\Activity\ActivityLog;
use App\Book\CannotWaive;
use App\Models\FindingWaiver;
use App\Models\TenantRow;
use App\Time\Clock;
use Illuminate\Support\Str;
use Jaunty\Core\Audit\Finding;

/**
 * Findings that are accepted with a reason until a day, and taken back. A waived finding that changes stands again. In
 * the customer's scope.
 */
final readonly class FindingWaivers
{
    public function __construct(private ActivityLog $log, private Clock $clock)
    {
    }

    /** @param list<Finding> $findings */
    public function sift(string $tenantId, string $zone, array $findings): Sifted
    {
        $today = $this->clock->dateIn($zone);
        // Whose they are comes with them: every edit asks for it.
        $holding = FindingWaiver::query()
            ->join('technicians', 'technicians.id', '=', 'finding_waivers.technician_id')
            ->select(['finding_waivers.*', 'technicians.name as by'])
            ->where('tenant_id', $tenantId)->whereNull('ended_at')->where(
                static fn ($query) => $query->whereNull('until')->orWhere('until', '>=', $today),
            )->orderBy('made_at')->get()->keyBy('fingerprint');
        $standing = [];
        $waived = [];
        foreach ($findings as $finding) {
            $waiver = $holding->get($finding->fingerprint());
            if ($waiver?->state === $finding->state()) {
                $waived[] = [$finding, $waiver];
            } else {
                $standing[] = $finding;
            }
        }

        return new Sifted($standing, $waived);
    }

    /**
     * @param  list<Finding>  $findings  as they stand
     * @param  ?string  $until  a date, by the customer's calendar
     *
     * @throws CannotWaive
     */
    public function waive(
        TenantRow $tenant,
        string $technicianId,
        array $findings,
        string $fingerprint,
        string $reason,
        ?string $until,
    ): void {
        if ($until !== null && $until < $this->clock->dateIn($tenant->zone)) {
            throw CannotWaive::past();
        }
        $finding = array_values(
            array_filter($findings, static fn (Finding $each): bool => $each->fingerprint() === $fingerprint),
        )[0] ?? throw CannotWaive::findingGone();
        FindingWaiver::query()->where('tenant_id', $tenant->id)
            ->where('fingerprint', $fingerprint)
            ->whereNull('ended_at')
            ->update(['ended_at' => $this->clock->now()]);
        FindingWaiver::query()->insert([
            'tenant_id' => $tenant->id, 'id' => (string) Str::uuid(), 'fingerprint' => $fingerprint,
            'state' => $finding->state(), 'rule' => $finding->about->id,
            'reason' => $reason, 'until' => $until, 'technician_id' => $technicianId, 'made_at' => $this->clock->now(),
        ]);
        $this->note($tenant, $technicianId, 'finding waived', ['rule' => $finding->about->id, 'reason' => $reason]);
    }

    public function takeBack(TenantRow $tenant, string $technicianId, string $id): bool
    {
        $ended = Str::isUuid($id)
            ? FindingWaiver::query()->where('tenant_id', $tenant->id)->whereKey($id)->whereNull('ended_at')->update(
                ['ended_at' => $this->clock->now()],
            )
            : 0;
        if ($ended > 0) {
            $this->note($tenant, $technicianId, 'waiver of a finding taken back', ['waiver' => $id]);
        }

        return $ended > 0;
    }

    /** @param array<string, string> $detail */
    private function note(TenantRow $tenant, string $technicianId, string $what, array $detail): void
    {
        $this->log->noteOf($tenant->id, $technicianId, $what, $detail);
    }
}
