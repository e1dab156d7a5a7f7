<?php

declare(strict_types=1);

namespace App\Audit;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Models\Ability;
use App\Models\FindingRow;
use App\Models\Technician;
use App\Models\TenantRow;
use Illuminate\Validation\ValidationException;

/**
 * What stands at every customer granted to a technician: listed, handed out, seen to, mended at many at once.
 *
 * @phpstan-import-type Window from FindingPages
 */
final readonly class FindingDesk
{
    public function __construct(
        private Scope $scope,
        private FindingPages $pages,
        private FindingTrend $trend,
        private FindingReports $reports,
        private FindingFixes $fixes,
        private ActivityLog $log,
    ) {
    }

    /**
     * @return array{Window, int, list<array<string, int|string>>, list<Technician>} what is in view; how many findings
     *     there are, whatever was asked for; how many stood by day; whom one can be handed to
     */
    public function page(string $technicianId, FindingsSought $sought, ?int $from, string $at): array
    {
        return $this->scope->technician($technicianId, fn (): array => [
            $this->pages->window($technicianId, $sought, $from, $at),
            FindingRow::query()->count(),
            $this->trend->days(),
            // Whoever may do nothing here sees no colleagues either.
            $this->scope->hasAnyGrant($technicianId)
                ? array_values(Technician::query()->whereNull('closed_at')->orderBy('name')->get()->all())
                : [],
        ]);
    }

    /** @return Window */
    public function window(string $technicianId, FindingsSought $sought, int $from): array
    {
        return $this->scope->technician(
            $technicianId,
            fn (): array => $this->pages->window($technicianId, $sought, $from, ''),
        );
    }

    /**
     * As a file for other programs: the findings that are named, or all that are sought, in their order.
     *
     * @param  list<array{customer: string, fingerprint: string}>|FindingsSought  $of
     * @return array{string, string} its type, and its text
     */
    public function export(string $technicianId, string $format, array|FindingsSought $of, int $most): array
    {
        return $this->scope->technician($technicianId, function () use ($technicianId, $format, $of, $most): array {
            $of = $of instanceof FindingsSought ? $this->pages->keys($technicianId, $of, $most + 1) : $of;
            if (count($of) > $most) {
                throw ValidationException::withMessages(
                    ['sought' => "A file holds {$most} findings; narrow the sentence."],
                );
            }
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
