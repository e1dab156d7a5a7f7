<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

/** Pending edits of one technician, of this customer. */
final readonly class DraftSeen
{
    /**
     * @param  string  $by  the technician's name
     * @param  string  $touchedOn  a date, at the customer's
     */
    public function __construct(public string $by, public string $touchedOn, public int $changes)
    {
    }
}
