<?php

declare(strict_types=1);

namespace App\Audit;

use App\Book\DraftView;
use App\Models\TenantRow;
use App\Time\Clock;
use Jaunty\Core\Audit\Finding;

/** What the desk says beside the sheet, of a book that is loaded already. In the customer's scope. */
final readonly class Margins
{
    public function __construct(private Audits $audits, private FindingWaivers $waivers, private Clock $clock)
    {
    }

    /**
     * @param  ?list<Finding>  $found  in the edited book, where it was audited already
     */
    public function of(TenantRow $tenant, DraftView $view, ?array $found = null): Margin
    {
        $found ??= $this->audits->of($tenant->id, $view->edited, $view->head);

        return new Margin(
            $view->edited,
            $this->waivers->sift($tenant->id, $tenant->zone, $found),
            $this->clock->now()->getTimestamp(),
        );
    }
}
