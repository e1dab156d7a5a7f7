<?php

declare(strict_types=1);

namespace App\Console;

use App\Access\Scope;
use App\Audit\AuditReason;
use App\Book\BookRepository;
use App\Fleet\AuditRuns;
use App\Models\Ability;
use App\Models\Technician;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;

/** Audits customers: as a batch for the workers, or here and now. */
final class AuditCustomers extends CustomerCommand
{
    protected $signature = 'roster:audit {customer?* : keys; all that are granted where none is named} '
        . '{--as= : the technician in whose name} {--nightly : as the night\'s run} '
        . '{--here : in this process, without the switch; says when it is done}';

    protected $description = 'Audit customers in a batch, one job each; with --here in this process';

    public function __construct(
        private readonly Scope $scope,
        private readonly AuditRuns $runs,
        private readonly BookRepository $books,
        private readonly SummaryKeeper $summaries,
    ) {
        parent::__construct();
    }

    protected function work(Technician $technician): int
    {
        $named = array_values(array_filter((array) $this->argument('customer'), is_string(...)));
        $ids = [];
        foreach ($named as $key) {
            $ids[] = $this->scope->tenant(
                $technician->id,
                $key,
                Ability::Read,
                static fn (TenantRow $tenant): string => $tenant->id,
            );
        }
        if ($this->option('here') === true) {
            return $this->here(
                $technician,
                $ids === []
                    ? $this->scope->technician(
                        $technician->id,
                        static fn (): array => TenantRow::query()->orderBy('name')->pluck('id')->all(),
                    )
                    : $ids,
            );
        }
        $run = $this->scope->technician($technician->id, fn () => $this->runs->begin(
            $technician->id,
            $this->option('nightly') === true ? AuditReason::Nightly : AuditReason::Asked,
            $ids === [] ? null : $ids,
        ));
        $this->line(count($run->tenant_ids) . ' customers are being audited; the Findings page shows how far it is.');

        return self::SUCCESS;
    }

    /** @param array<mixed> $ids */
    private function here(Technician $technician, array $ids): int
    {
        $began = hrtime(true);
        foreach (array_filter($ids, is_string(...)) as $id) {
            $this->scope->tenant($technician->id, $id, Ability::Read, function (TenantRow $tenant): void {
                $this->summaries->dayChanged($tenant->id, $this->books->head($tenant->id));
            });
        }
        $this->line(sprintf(
            '%d customers audited in %.1f s, with %.0f MB at most',
            count($ids),
            (hrtime(true) - $began) / 1e9,
            memory_get_peak_usage() / 1_048_576,
        ));

        return self::SUCCESS;
    }
}
