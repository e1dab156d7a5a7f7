<?php

declare(strict_types=1);

namespace App\Push;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Book\BookRepository;
use App\Book\RevisionSource;
use App\Book\RevisionWriter;
use App\Models\Ability;
use App\Models\AgreedBook;
use App\Models\DriftWaiver;
use App\Models\LiveSnapshot;
use App\Models\Push;
use App\Models\PushStatus;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;
use App\Secrets\SecretKeeper;
use App\Switching\Switches;
use App\Time\Clock;
use Jaunty\Core\Change\Diff;

/**
 * Puts a customer on another switch: from then on that one is read, pushed to and compared with, beginning with
 * nothing. What the former one holds stays there until somebody takes it away; coming back, its records are known
 * still.
 */
final readonly class SwitchMove
{
    public function __construct(
        private Scope $scope,
        private Switches $switches,
        private BookRepository $books,
        private RevisionWriter $revisions,
        private SecretKeeper $secrets,
        private SummaryKeeper $summaries,
        private ActivityLog $log,
        private Clock $clock,
    ) {
    }

    /** @param string $name of a switch there is */
    public function to(string $technicianId, string $customer, string $name): void
    {
        $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Push,
            fn (TenantRow $tenant): null => $this->move($tenant, $technicianId, $name),
        );
    }

    /** @throws PushUnderWay */
    private function move(TenantRow $tenant, string $technicianId, string $name): null
    {
        $row = TenantRow::query()->whereKey($tenant->id)->lockForUpdate()->firstOrFail();
        if ($row->connector === $name) {
            return null;
        }
        $isUnderWay = Push::query()->where('tenant_id', $row->id)
            ->whereIn('status', [PushStatus::Queued, PushStatus::Running])
            ->exists();
        if ($isUnderWay) {
            throw new PushUnderWay();
        }
        $from = $row->connector;
        $row->forceFill(['connector' => $name])->save();
        // What was read, agreed on and waived was so of the other switch.
        LiveSnapshot::query()->where('tenant_id', $row->id)->delete();
        AgreedBook::query()->where('tenant_id', $row->id)->delete();
        DriftWaiver::query()->where('tenant_id', $row->id)->whereNull('ended_at')
            ->update(['ended_at' => $this->clock->now()]);
        $this->secrets->toBeSentAgain($row->id);
        $this->log->noteOf($row->id, $technicianId, 'moved to another switch', ['from' => $from, 'to' => $name]);
        $this->summaries->neverPushed($row->id);
        $head = $this->books->head($row->id);
        $fitted = $this->switches->named($name)->capabilities()->granularity()->fit($head);
        $changes = Diff::between($head, $fitted);
        if ($changes->isEmpty()) {
            $this->summaries->findingsSifted($row->id, $head);
        } else {
            $this->revisions->enter($row, $technicianId, $changes, RevisionSource::Fix, 'Fitted to the steps in which '
                . "the {$this->switches->named($name)->title()} stores times");
        }

        return null;
    }
}
