<?php

declare(strict_types=1);

namespace App\Fleet;

use App\Access\AccessDenied;
use App\Access\CustomerNotFound;
use App\Access\Scope;
use App\Audit\AuditReason;
use App\Audit\FindingOrigins;
use App\Book\BookRepository;
use App\CallRecords\CallReader;
use App\Drift\LiveReader;
use App\Models\Ability;
use App\Models\TenantRow;
use App\Ports\PortDesk;
use App\Roster\SummaryKeeper;
use App\Stock\CarrierTrouble;
use App\Switching\SwitchTrouble;
use Illuminate\Bus\Batchable;
use Illuminate\Bus\Queueable;
use Illuminate\Container\Container;
use Illuminate\Contracts\Queue\ShouldQueue;

/**
 * One customer of a run of audits: what stands in its book today, and beside it on the switch. Safe to run twice and to
 * kill.
 */
final class AuditCustomer implements ShouldQueue
{
    use Batchable;
    use Queueable;

    /** Names whom the job acts for: row-level security holds for it as it does for them. */
    public function __construct(
        public readonly string $runId,
        public readonly string $technicianId,
        public readonly string $tenantId,
        public readonly AuditReason $reason,
    ) {
        $this->afterCommit = true;
    }

    public function handle(
        Scope $scope,
        BookRepository $books,
        SummaryKeeper $summaries,
        FindingOrigins $origins,
        LiveReader $reader,
        PortDesk $ports,
        CallReader $calls,
        AuditRuns $runs,
    ): void {
        if ($this->batch()?->cancelled() === true) {
            return;
        }
        $began = hrtime(true);
        try {
            $trouble = $this->reason->readsTheSwitch() ? $this->readOutside($reader, $ports, $calls) : null;
            $scope->tenant(
                $this->technicianId,
                $this->tenantId,
                Ability::Read,
                function (TenantRow $tenant) use ($books, $summaries, $origins, $runs, $began, $trouble): void {
                    $summaries->dayChanged($tenant->id, $books->head($tenant->id));
                    $origins->find($tenant);
                    $runs->done($this->runId, $tenant->id, intdiv(hrtime(true) - $began, 1_000_000), $trouble);
                },
            );
        } catch (CustomerNotFound | AccessDenied) {
            // Gone meanwhile, or no longer theirs to look at: the run ends without it.
            $runs->count($this->runId);
        }
        $scope->technician($this->technicianId, fn () => $runs->settle($this->runId));
    }

    /** It was tried as often as jobs are: the run ends, and says that this customer was not looked at. */
    public function failed(): void
    {
        $made = Container::getInstance();
        $scope = $made->make(Scope::class);
        $runs = $made->make(AuditRuns::class);
        try {
            $scope->tenant($this->technicianId, $this->tenantId, Ability::Read, fn () => $runs->done(
                $this->runId,
                $this->tenantId,
                0,
                'It could not be audited, so its findings are those of before. What stood in the way is in the log of '
                    . 'this house, under failed jobs.',
            ));
        } catch (CustomerNotFound | AccessDenied) {
            $runs->count($this->runId);
        }
        $scope->technician($this->technicianId, fn () => $runs->settle($this->runId));
    }

    /** @return ?string why it could not be read; the book is audited all the same */
    private function readOutside(LiveReader $reader, PortDesk $ports, CallReader $calls): ?string
    {
        $said = [];
        foreach ([$reader->read(...), $ports->follow(...), $calls->read(...)] as $read) {
            try {
                $read($this->technicianId, $this->tenantId);
            } catch (SwitchTrouble | CarrierTrouble $trouble) {
                $said[] = $trouble->getMessage();
            }
        }

        return $said === [] ? null : implode(' ', $said);
    }
}
