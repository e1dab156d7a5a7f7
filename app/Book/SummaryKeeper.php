<?php

declare(strict_types=1);

namespace App\Book;

use App\Models\TenantSummary;
use App\Time\Clock;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Number;

/** Keeps the line that the Roster shows of each customer, so that a thousand customers are one query. */
final readonly class SummaryKeeper
{
    public function __construct(private Clock $clock)
    {
    }

    public function bookChanged(string $tenantId, Book $book): void
    {
        $number = $book->tenant->mainNumber === null ? null : $book->find($book->tenant->mainNumber);
        $this->put($tenantId, [
            'main_number' => $number?->key(),
            'main_leads_to' => $number instanceof Number ? $this->destination($book, $number) : null,
            'objects' => count($book->objects()),
        ]);
    }

    public function liveRead(string $tenantId, int $differences): void
    {
        $this->put($tenantId, ['differences' => $differences, 'live_read_at' => $this->clock->now()]);
    }

    /** The same reading, counted anew. */
    public function driftCounted(string $tenantId, int $differences): void
    {
        $this->put($tenantId, ['differences' => $differences]);
    }

    public function pushed(string $tenantId, int $revision): void
    {
        $this->put($tenantId, ['pushed_revision' => $revision, 'pushed_at' => $this->clock->now()]);
    }

    /** @param array<string, mixed> $values */
    private function put(string $tenantId, array $values): void
    {
        TenantSummary::query()->upsert(
            [['tenant_id' => $tenantId, 'updated_at' => $this->clock->now()] + $values],
            ['tenant_id'],
            [...array_keys($values), 'updated_at'],
        );
    }

    private function destination(Book $book, Number $number): ?string
    {
        $to = $number->destination;
        $object = $to?->object === null ? null : $book->find($to->object);

        return $object === null ? ($to === null ? null : (string) $to) : $object->label();
    }
}
