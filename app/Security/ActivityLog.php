<?php

declare(strict_types=1);

namespace App\Security;

use App\Models\Activity;
use App\Time\Clock;

/** What was done to accounts, and who signed in or failed to: written here, read by leads, rewritten by nobody. */
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
            'technician_id' => $technicianId, 'what' => $what, 'detail' => json_encode((object) array_filter($detail, is_string(...)), JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE),
            'happened_at' => $this->clock->now(),
        ]);
    }
}
