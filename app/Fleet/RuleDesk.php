<?php

declare(strict_types=1);

namespace App\Fleet;

use App\Access\AccessDenied;
use App\Access\Scope;
use App\Audit\AuditReason;
use App\Audit\ThresholdStore;
use App\Book\BookRepository;
use App\Models\Ability;
use App\Models\FindingRow;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Audit\Thresholds;

/** How often rules fire, and the thresholds they go by: for every customer, and for one. */
final readonly class RuleDesk
{
    public function __construct(
        private Scope $scope,
        private ThresholdStore $thresholds,
        private AuditRuns $runs,
        private BookRepository $books,
        private SummaryKeeper $summaries,
    ) {
    }

    /**
     * @return array{array<string, array<string, int>>, Thresholds, bool} by rule, `findings`, `waived` and `customers`;
     *     the reseller's thresholds; whether they may change them
     */
    public function all(string $technicianId): array
    {
        return $this->scope->technician($technicianId, fn (): array => [
            self::fires(),
            $this->thresholds->ofReseller(),
            $this->scope->mayTakeOn($technicianId),
        ]);
    }

    /**
     * Sets one for every customer; they are audited anew then.
     *
     * @throws AccessDenied
     */
    public function setForAll(string $technicianId, Threshold $threshold, ?int $value): Thresholds
    {
        return $this->scope->technician($technicianId, function () use ($technicianId, $threshold, $value): Thresholds {
            if (! $this->scope->mayTakeOn($technicianId)) {
                throw AccessDenied::everyCustomer();
            }
            $this->thresholds->setForAll($technicianId, $threshold, $value);
            $this->runs->begin($technicianId, AuditReason::Threshold);

            return $this->thresholds->ofReseller();
        });
    }

    /** @return array{Thresholds, array<string, int>} the reseller's, and the customer's own by name */
    public function ofCustomer(string $technicianId, string $customer): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): array => [$this->thresholds->ofReseller(), $this->thresholds->own($tenant->id)],
        );
    }

    /** @return array{Thresholds, array<string, int>} */
    public function setForCustomer(string $technicianId, string $customer, Threshold $threshold, ?int $value): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technicianId, $threshold, $value): array {
                $this->thresholds->setFor($tenant->id, $technicianId, $threshold, $value);
                $this->summaries->findingsSifted($tenant->id, $this->books->head($tenant->id));

                return [$this->thresholds->ofReseller(), $this->thresholds->own($tenant->id)];
            },
        );
    }

    /** @return array<string, array<string, int>> */
    private static function fires(): array
    {
        $rows = FindingRow::query()->toBase()->select('rule')
            ->selectRaw(
                'count(*) filter (where not waived) as findings, count(*) filter (where waived) as waived, '
                    . 'count(distinct tenant_id) filter (where not waived) as customers',
            )
            ->groupBy('rule')->get();
        $fires = [];
        foreach ($rows as $row) {
            $said = get_object_vars($row);
            $counts = array_intersect_key($said, ['findings' => true, 'waived' => true, 'customers' => true]);
            $fires[is_string($said['rule']) ? $said['rule'] : ''] = array_filter($counts, is_int(...));
        }

        return $fires;
    }
}
