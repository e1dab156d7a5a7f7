<?php

declare(strict_types=1);

namespace App\Audit;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Models\Ability;
use App\Models\FindingRow;
use App\Models\Technician;
use App\Models\TenantRow;

/** What stands at every customer granted to a technician: listed, handed out, seen to, mended at many at once. */
final readonly class FindingDesk
{
    public function __construct(
        private Scope $scope,
        private FindingTrend $trend,
        private FindingReports $reports,
        private FindingFixes $fixes,
        private ActivityLog $log,
    ) {
    }

    /**
     * @return array{list<\stdClass>, list<array<string, int|string>>, list<Technician>} a line each as the contract has
     *     it; how many stood by day; whom one can be handed to
     */
    public function all(string $technicianId): array
    {
        return $this->scope->technician($technicianId, fn (): array => [
            self::lines(),
            $this->trend->days(),
            // Whoever may do nothing here sees no colleagues either.
            $this->scope->hasAnyGrant($technicianId)
                ? array_values(Technician::query()->whereNull('closed_at')->orderBy('name')->get()->all())
                : [],
        ]);
    }

    /** @return list<\stdClass> */
    private static function lines(): array
    {
        return array_values(FindingRow::query()
            ->join('tenants', 'tenants.id', '=', 'findings.tenant_id')
            ->orderBy('tenants.name')->orderBy('rule')->orderBy('title')
            ->select([
                'tenants.key as customer', 'tenants.name', 'tenants.zone', 'rule', 'severity', 'title', 'detail',
                'object', 'count', 'waived', 'fingerprint', 'fix', 'first_revision as revision',
                'assignee_id as assignee', 'due_on as due',
            ])
            ->selectRaw(
                "to_char(first_seen at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"') as \"firstSeen\", "
                    . "to_char(last_seen at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"') as \"lastSeen\"",
            )
            ->toBase()->get()->all());
    }

    /**
     * As a file for other programs: the findings that are named, in their order.
     *
     * @param  list<array{customer: string, fingerprint: string}>  $of
     * @return array{string, string} its type, and its text
     */
    public function export(string $technicianId, string $format, array $of): array
    {
        return $this->scope->technician($technicianId, function () use ($technicianId, $format, $of): array {
            $this->log->note($technicianId, 'exported findings', ['format' => $format, 'count' => count($of)]);

            return $this->reports->write($format, $of);
        });
    }

    /**
     * Who sees to a finding, and until when.
     *
     * @return bool whether there is such a finding
     */
    public function care(
        string $technicianId,
        string $customer,
        string $fingerprint,
        ?string $assignee,
        ?string $due,
    ): bool {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technicianId, $fingerprint, $assignee, $due): bool {
                $row = FindingRow::query()->where('tenant_id', $tenant->id)
                    ->where('fingerprint', $fingerprint)
                    ->first();
                if ($row === null) {
                    return false;
                }
                FindingRow::query()->where('tenant_id', $tenant->id)->where('fingerprint', $fingerprint)
                    ->update(['assignee_id' => $assignee, 'due_on' => $due]);
                $name = static fn (?string $id): ?string => $id === null
                    ? null
                    : Technician::query()->find($id)?->name;
                $this->log->noteOf($tenant->id, $technicianId, 'said who sees to a finding', [
                    'finding' => $row->title, 'rule' => $row->rule, 'changes' => [
                        ['path' => 'who', 'before' => $name($row->assignee_id), 'after' => $name($assignee)],
                        ['path' => 'until', 'before' => $row->due_on, 'after' => $due],
                    ],
                ]);

                return true;
            },
        );
    }

    /**
     * What the fixes of some findings would change in the book as entered; or entered as a revision.
     *
     * @param  list<string>  $fingerprints
     */
    public function fix(
        string $technicianId,
        string $customer,
        array $fingerprints,
        bool $isEntered,
        ?string $note,
    ): Mended {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            $isEntered ? Ability::Edit : Ability::Read,
            fn (TenantRow $tenant): Mended => $this->fixes->make(
                $tenant,
                $technicianId,
                $fingerprints,
                $isEntered,
                $note,
            ),
        );
    }
}
