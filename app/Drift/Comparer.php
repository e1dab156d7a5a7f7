<?php

declare(strict_types=1);

namespace App\Drift;

use App\Models\AgreedBook;
use App\Models\DriftWaiver;
use App\Models\TenantRow;
use App\Switching\Switches;
use App\Time\Clock;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Change\Agreed;

/** Compares a customer's book with what was read from the switch, in the customer's scope. */
final readonly class Comparer
{
    public function __construct(private Switches $switches, private Clock $clock)
    {
    }

    /** @param Book $read as read from the switch */
    public function compare(TenantRow $tenant, Book $book, Book $read): Comparison
    {
        $today = $this->clock->dateIn($book->tenant->zone);
        $waivers = DriftWaiver::query()->where('tenant_id', $tenant->id)->whereNull('ended_at')->where(
            static fn ($query) => $query->whereNull('until')->orWhere('until', '>=', $today),
        )->with('technician')->orderBy('made_at')->get();

        return Comparison::of(
            $book,
            $this->beside($tenant, $read, $book),
            array_values($waivers->all()),
            $this->agreed($tenant->id),
        );
    }

    /**
     * Keeps what both say alike by now: what differs from it later can be told as ours or theirs.
     *
     * @param  Book  $book  the one that was compared, or pushed
     * @param  Book  $read  as read from the switch
     */
    public function settle(TenantRow $tenant, Book $book, Book $read): void
    {
        $agreed = $this->agreed($tenant->id)->after($book, $this->beside($tenant, $read, $book));
        AgreedBook::query()->upsert([[
            'tenant_id' => $tenant->id,
            'book' => json_encode(
                BookFormat::toValue($agreed),
                JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            ),
            'at' => $this->clock->now(),
        ]], ['tenant_id'], ['book', 'at']);
    }

    private function beside(TenantRow $tenant, Book $read, Book $book): Book
    {
        return $this->switches->of($tenant)->capabilities()->beside($read, $book);
    }

    private function agreed(string $tenantId): Agreed
    {
        $row = AgreedBook::query()->find($tenantId);

        return new Agreed($row instanceof AgreedBook ? BookFormat::fromLiveValue($row->book) : null);
    }
}
