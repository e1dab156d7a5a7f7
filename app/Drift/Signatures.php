<?php

declare(strict_types=1);

namespace App\Drift;

use App\Activity\ActivityLog;
use App\Book\BookRepository;
use App\Book\SinceSigned;
use App\Models\SignedBook;
use App\Models\TenantRow;
use App\Time\Clock;
use Illuminate\Support\Str;
use Jaunty\Core\Book\Book;

/** The revision a customer put their name to: a baseline beside book and live that nothing entered later alters. */
final readonly class Signatures
{
    public function __construct(
        private BookRepository $books,
        private ActivityLog $log,
        private Clock $clock,
        private SinceSigned $since,
    ) {
    }

    public function sign(TenantRow $tenant, string $technicianId, int $revision, string $by, string $on): void
    {
        SignedBook::query()->insert([
            'tenant_id' => $tenant->id, 'id' => (string) Str::uuid(), 'revision' => $revision, 'signed_by' => $by,
            'signed_on' => $on, 'technician_id' => $technicianId, 'made_at' => $this->clock->now(),
        ]);
        if ($revision === $tenant->head_revision) {
            $this->books->keep($tenant->id, $revision);
        }
        $this->since->keep($tenant->id, $this->books->head($tenant->id), $tenant->head_revision);
        $this->log->noteOf($tenant->id, $technicianId, 'book signed', ['revision' => $revision, 'by' => $by]);
    }

    /** @return ?array{SignedBook, Book} the newest, and the book as it was signed */
    public function newest(string $tenantId): ?array
    {
        $signed = SignedBook::query()->where('tenant_id', $tenantId)
            ->orderByDesc('signed_on')
            ->orderByDesc('made_at')
            ->first();

        return $signed === null ? null : [$signed, $this->books->at($tenantId, $signed->revision)];
    }
}
