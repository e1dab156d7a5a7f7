<?php

declare(strict_types=1);

namespace App\Drift;

use App\Models\DriftWaiver;
use App\Switching\SwitchConnector;
use App\Time\Clock;
use Jaunty\Core\Book\Book;

/** Compares a customer's book with what was read from the switch, in the customer's scope. */
final readonly class Comparer
{
    public function __construct(private SwitchConnector $switch, private Clock $clock)
    {
    }

    /** @param Book $read as read from the switch */
    public function compare(string $tenantId, Book $book, Book $read): Comparison
    {
        $today = $this->clock->dateIn($book->tenant->zone);
        $waivers = DriftWaiver::query()->where('tenant_id', $tenantId)->whereNull('ended_at')->where(static fn ($query) => $query->whereNull('until')->orWhere('until', '>=', $today))->with('technician')->orderBy('made_at')->get();

        return Comparison::of($book, $this->switch->beside($read, $book), array_values($waivers->all()));
    }
}
