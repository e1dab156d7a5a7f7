<?php

declare(strict_types=1);

namespace App\Audit;

use App\Models\FindingDay;
use App\Models\FindingRow;
use App\Support\Parts;
use App\Time\Clock;
use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Reports\ReportLine;
use Jaunty\Core\Audit\Severity;

/** Keeps what stands at each customer, so that a list over a thousand of them is one query. In the customer's scope. */
final readonly class FindingStore
{
    /** What another audit says anew; who looks after a finding, and by which revision it came, stays. */
    private const SAID = [
        'severity', 'title', 'detail', 'object', 'objects', 'path', 'fix', 'count', 'waived', 'last_seen',
    ];

    public function __construct(private Clock $clock)
    {
    }

    /** @param string $today at the customer's */
    public function ofBook(string $tenantId, string $today, Sifted $sifted): void
    {
        $this->keep($tenantId, $today, $sifted, false);
    }

    /** @param list<Finding> $findings of the rules about drift */
    public function ofDrift(string $tenantId, string $today, array $findings): void
    {
        $this->keep($tenantId, $today, new Sifted($findings, []), true);
    }

    /** What was seen before keeps the day it was first seen; what does not stand any more goes. */
    private function keep(string $tenantId, string $today, Sifted $sifted, bool $isDrift): void
    {
        $now = $this->clock->now();
        $rows = [];
        foreach ([[false, $sifted->standing], [true, array_column($sifted->waived, 0)]] as [$isWaived, $findings]) {
            foreach ($findings as $finding) {
                $line = ReportLine::of($finding);
                $rows[$line->fingerprint] = [
                    'tenant_id' => $tenantId, 'fingerprint' => $line->fingerprint, 'rule' => $line->rule,
                    'severity' => $line->severity->value,
                    'title' => $line->title, 'detail' => $line->detail, 'object' => $line->objects[0],
                    'objects' => json_encode($line->objects, JSON_THROW_ON_ERROR),
                    'path' => $line->path, 'fix' => $finding->fix?->label, 'count' => $line->count,
                    'waived' => $isWaived, 'first_seen' => $now, 'last_seen' => $now,
                ];
            }
        }
        $drift = Auditor::ofDrift()->ids();
        $stood = array_filter(
            FindingRow::query()->where('tenant_id', $tenantId)
                ->whereIn('rule', $drift, not: ! $isDrift)
                ->pluck('fingerprint')
                ->all(),
            is_string(...),
        );
        foreach (
            Parts::of(array_values(
                array_filter($stood, static fn (string $fingerprint): bool => ! isset($rows[$fingerprint])),
            )) as $some
        ) {
            FindingRow::query()->where('tenant_id', $tenantId)->whereIn('fingerprint', $some)->delete();
        }
        foreach (Parts::of(array_values($rows)) as $some) {
            FindingRow::query()->upsert($some, ['tenant_id', 'fingerprint'], self::SAID);
        }
        $this->count($tenantId, $today);
    }

    /** Of a day, what was last seen counts; one on which nothing changed is not kept. */
    private function count(string $tenantId, string $today): void
    {
        $standing = FindingRow::query()->where('tenant_id', $tenantId)->where('waived', false)->toBase()->selectRaw(
            'severity, count(*) as many',
        )->groupBy('severity')->pluck('many', 'severity');
        $counts = [];
        foreach (Severity::cases() as $severity) {
            $many = $standing[$severity->value] ?? 0;
            $counts[$severity->value] = is_numeric($many) ? (int) $many : 0;
        }
        $last = FindingDay::query()->where('tenant_id', $tenantId)
            ->where('day', '<', $today)
            ->orderByDesc('day')
            ->first()?->counts;
        if (
            $last === $counts && FindingDay::query()->where('tenant_id', $tenantId)->where('day', $today)->doesntExist()
        ) {
            return;
        }
        FindingDay::query()->upsert(
            [['tenant_id' => $tenantId, 'day' => $today, 'counts' => json_encode($counts, JSON_THROW_ON_ERROR)]],
            ['tenant_id', 'day'],
            ['counts'],
        );
    }
}
