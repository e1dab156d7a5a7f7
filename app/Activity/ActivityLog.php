<?php

declare(strict_types=1);

namespace App\Activity;

use App\Models\Activity;
use App\Support\Parts;
use App\Time\Clock;

/**
 * What was done, to accounts and at customers, and who signed in or failed to: written here alone, read by leads,
 * rewritten by nobody.
 */
final readonly class ActivityLog
{
    public function __construct(private Clock $clock)
    {
    }

    /**
     * @param  ?string  $technicianId  who did it; null where nobody is signed in
     * @param  array<string, ?string>  $detail
     */
    public function note(?string $technicianId, string $what, array $detail = []): void
    {
        Activity::query()->insert([
            'technician_id' => $technicianId, 'what' => $what,
            'detail' => json_encode(
                (object) array_filter($detail, is_string(...)),
                JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE,
            ),
            'happened_at' => $this->clock->now(),
        ]);
    }

    /**
     * In the customer's scope.
     *
     * @param  array<string, mixed>  ...$details  a line for each; no secret
     */
    public function noteOf(string $tenantId, string $technicianId, string $what, array ...$details): void
    {
        $now = $this->clock->now();
        $rows = array_map(static fn (array $detail): array => [
            'technician_id' => $technicianId, 'tenant_id' => $tenantId, 'what' => $what,
            'detail' => json_encode((object) $detail, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE),
            'happened_at' => $now,
        ], array_values($details));
        foreach (Parts::of($rows) as $some) {
            Activity::query()->insert($some);
        }
    }
}
