<?php

declare(strict_types=1);

namespace App\Drift;

use App\Models\AgreedBook;
use App\Models\DriftWaiver;
use App\Switching\SwitchConnector;
use App\Time\Clock;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Change\Agreed;

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
        $waivers = DriftWaiver::query()->where('tenant_id', $tenantId)->whereNull('ended_at')->where(
            static fn ($query) => $query->whereNull('until')->orWhere('until', '>=', $today),
        )->with('technician')->orderBy('made_at')->get();

        return Comparison::of($book, $this->switch->beside($read, $book), array_values($waivers->all()), $this->agreed(
            $tenantId,
        ));
    }

    /**
     * Keeps what both say alike by now: what differs from it later can be told as ours or theirs.
     *
     * @param  Book  $book  the one that was compared, or pushed
     * @param  Book  $read  as read from the switch
     */
    public function settle(string $tenantId, Book $book, Book $read): void
    {
        $agreed = $this->agreed($tenantId)->after($book, $this->switch->beside($read, $book));
        AgreedBook::query()->upsert([[
            'tenant_id' => $tenantId,
            'book' => json_encode(
                BookFormat::toValue($agreed),
                JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            ),
            'at' => $this->clock->now(),
        ]], ['tenant_id'], ['book', 'at']);
    }

    private function agreed(string $tenantId): Agreed
    {
        $row = AgreedBook::query()->find($tenantId);

        return new Agreed($row instanceof AgreedBook ? BookFormat::fromLiveValue($row->book) : null);
    }
}
