<?php

declare(strict_types=1);

namespace App\Audit;

use App\Activity\ActivityLog;
use App\Models\TenantThreshold;
use App\Models\ThresholdRow;
use App\Time\Clock;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Audit\Thresholds;

/** What counts as too much: as core has it, as the reseller set it, and as it is set for one customer. */
final readonly class ThresholdStore
{
    public function __construct(private ActivityLog $log, private Clock $clock)
    {
    }

    /** For every customer that has none of its own. */
    public function ofReseller(): Thresholds
    {
        return new Thresholds(self::known(ThresholdRow::query()->pluck('value', 'name')->all()));
    }

    /** In the customer's scope. */
    public function of(string $tenantId): Thresholds
    {
        $reseller = ThresholdRow::query()->toBase()->select('name', 'value')->selectRaw('false as own');
        $all = TenantThreshold::query()->toBase()->where('tenant_id', $tenantId)->select('name', 'value')->selectRaw(
            'true as own',
        )->unionAll($reseller)->get();

        return (new Thresholds(self::known($all->where('own', false)->pluck('value', 'name')->all())))->with(
            self::known($all->where('own', true)->pluck('value', 'name')->all()),
        );
    }

    /** @return array<string, int> what is set for the customer in scope alone, by name */
    public function own(string $tenantId): array
    {
        return self::known(TenantThreshold::query()->where('tenant_id', $tenantId)->pluck('value', 'name')->all());
    }

    /** @param ?int $value unset to have it as core has it */
    public function setForAll(string $technicianId, Threshold $threshold, ?int $value): void
    {
        ThresholdRow::query()->whereKey($threshold->value)->delete();
        if ($value !== null) {
            ThresholdRow::query()->insert([
                'name' => $threshold->value, 'value' => $value, 'set_by' => $technicianId,
                'set_at' => $this->clock->now(),
            ]);
        }
        $this->note($technicianId, null, $threshold, $value);
    }

    /** @param ?int $value unset to have it as every customer has it */
    public function setFor(string $tenantId, string $technicianId, Threshold $threshold, ?int $value): void
    {
        TenantThreshold::query()->where('tenant_id', $tenantId)->where('name', $threshold->value)->delete();
        if ($value !== null) {
            TenantThreshold::query()->insert([
                'tenant_id' => $tenantId, 'name' => $threshold->value, 'value' => $value, 'set_by' => $technicianId,
                'set_at' => $this->clock->now(),
            ]);
        }
        $this->note($technicianId, $tenantId, $threshold, $value);
    }

    private function note(string $technicianId, ?string $tenantId, Threshold $threshold, ?int $value): void
    {
        if ($tenantId === null) {
            $this->log->note($technicianId, 'threshold set', [
                'name' => $threshold->value,
                'value' => $value === null ? null : (string) $value,
            ]);
        } else {
            $this->log->noteOf($tenantId, $technicianId, 'threshold set', [
                'name' => $threshold->value,
                'value' => $value,
            ]);
        }
    }

    /**
     * Names that an earlier version knew are left out.
     *
     * @param  array<mixed>  $set
     * @return array<string, int>
     */
    private static function known(array $set): array
    {
        $known = [];
        foreach ($set as $name => $value) {
            if (Threshold::tryFrom((string) $name) !== null && is_int($value)) {
                $known[(string) $name] = $value;
            }
        }

        return $known;
    }
}
