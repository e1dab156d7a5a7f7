<?php

declare(strict_types=1);

namespace App\Audit;

use App\Models\FindingRow;
use App\Time\Clock;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Book\Reference;

/** Keeps what stands at each customer, so that a list over a thousand of them is one query. In the customer's scope. */
final readonly class FindingStore
{
    public function __construct(private Clock $clock)
    {
    }

    public function ofBook(string $tenantId, Sifted $sifted): void
    {
        $this->keep($tenantId, $sifted, false);
    }

    /** @param list<Finding> $findings of the rules about drift */
    public function ofDrift(string $tenantId, array $findings): void
    {
        $this->keep($tenantId, new Sifted($findings, []), true);
    }

    /** What was seen before keeps the day it was first seen; what does not stand any more goes. */
    private function keep(string $tenantId, Sifted $sifted, bool $isDrift): void
    {
        $now = $this->clock->now();
        $rows = [];
        foreach ([[false, $sifted->standing], [true, array_column($sifted->waived, 0)]] as [$isWaived, $findings]) {
            foreach ($findings as $finding) {
                $rows[$finding->fingerprint()] = [
                    'tenant_id' => $tenantId, 'fingerprint' => $finding->fingerprint(), 'rule' => $finding->about->id, 'severity' => $finding->severity()->value,
                    'title' => $finding->title, 'detail' => $finding->detail, 'object' => (string) Reference::of($finding->objects[0]), 'count' => $finding->count,
                    'waived' => $isWaived, 'first_seen' => $now, 'last_seen' => $now,
                ];
            }
        }
        FindingRow::query()->where('tenant_id', $tenantId)->where('rule', $isDrift ? 'like' : 'not like', 'drift.%')->whereNotIn('fingerprint', array_keys($rows))->delete();
        FindingRow::query()->upsert(array_values($rows), ['tenant_id', 'fingerprint'], ['severity', 'title', 'detail', 'object', 'count', 'waived', 'last_seen']);
    }
}
