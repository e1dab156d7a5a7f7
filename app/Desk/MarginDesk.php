<?php

declare(strict_types=1);

namespace App\Desk;

use App\Access\Scope;
use App\Audit\Audits;
use App\Audit\FindingWaivers;
use App\Audit\Margin;
use App\Audit\Margins;
use App\Book\DraftDesk;
use App\Models\Ability;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;

/** What is said beside a book with a technician's pending edits, and what of it is accepted. */
final readonly class MarginDesk
{
    public function __construct(
        private Scope $scope,
        private DraftDesk $drafts,
        private FindingWaivers $waivers,
        private Audits $audits,
        private Margins $margins,
        private SummaryKeeper $summaries,
    ) {
    }

    public function margin(string $technicianId, string $customer): Margin
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): Margin => $this->margins->of(
                $tenant,
                $this->drafts->view($tenant, $technicianId),
            ),
        );
    }

    /** What stands in the book as entered, whatever anybody has pending: what a customer may be told. */
    public function entered(string $technicianId, string $customer): Margin
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): Margin => $this->margins->entered($tenant),
        );
    }

    /** Accepts a finding with a reason and until a day; on the Roster it counts no more. */
    public function waive(
        string $technicianId,
        string $customer,
        string $fingerprint,
        string $reason,
        ?string $until,
    ): Margin {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technicianId, $fingerprint, $reason, $until): Margin {
                $view = $this->drafts->view($tenant, $technicianId);
                $found = $this->audits->of($tenant->id, $view->edited, $view->head);
                $standing = $this->waivers->sift($tenant->id, $tenant->zone, $found)->standing;
                $this->waivers->waive($tenant, $technicianId, $standing, $fingerprint, $reason, $until);
                $this->summaries->findingsSifted($tenant->id, $view->head);

                return $this->margins->of($tenant, $view, $found);
            },
        );
    }

    /** @return ?Margin null where there is no such waiver */
    public function takeBack(string $technicianId, string $customer, string $waiver): ?Margin
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technicianId, $waiver): ?Margin {
                if (! $this->waivers->takeBack($tenant, $technicianId, $waiver)) {
                    return null;
                }
                $view = $this->drafts->view($tenant, $technicianId);
                $this->summaries->findingsSifted($tenant->id, $view->head);

                return $this->margins->of($tenant, $view);
            },
        );
    }
}
