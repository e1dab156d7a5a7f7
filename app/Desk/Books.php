<?php

declare(strict_types=1);

namespace App\Desk;

use App\Access\Scope;
use App\Book\BookRepository;
use App\Book\DraftDesk;
use App\Models\Ability;
use App\Models\LiveSnapshot;
use App\Models\TenantRow;
use App\Switching\Switches;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;

/** Gives a technician the book they ask about, for whatever is drawn or computed from it. */
final readonly class Books
{
    public function __construct(
        private Scope $scope,
        private DraftDesk $drafts,
        private BookRepository $books,
        private Switches $switches,
    ) {
    }

    /** @return ?Book null for live where the switch was never read */
    public function of(string $technicianId, string $customer, WhichBook $which = WhichBook::Edited): ?Book
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): ?Book => match ($which) {
                WhichBook::Edited => $this->drafts->view($tenant, $technicianId)->edited,
                WhichBook::Entered => $this->books->head($tenant->id),
                WhichBook::Live => $this->live($tenant)[0] ?? null,
            },
        );
    }

    public function edited(string $technicianId, string $customer): Book
    {
        return $this->of($technicianId, $customer) ?? throw new \LogicException('there is always a book to edit');
    }

    /** @return array{Book, ?Book, ?string} the book as entered, live beside it, and when live was read */
    public function enteredAndLive(string $technicianId, string $customer): array
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Read, function (TenantRow $tenant): array {
            $live = $this->live($tenant);

            return [$this->books->head($tenant->id), $live[0] ?? null, $live[1] ?? null];
        });
    }

    /** @return ?array{Book, string} as the switch stands beside the book: fields it does not keep are the book's */
    private function live(TenantRow $tenant): ?array
    {
        $snapshot = LiveSnapshot::query()->where('tenant_id', $tenant->id)->orderByDesc('serial')->first();

        return $snapshot === null
            ? null
            : [
                $this->switches->of($tenant)->capabilities()
                    ->beside(BookFormat::fromLiveValue($snapshot->book), $this->books->head($tenant->id)),
                $snapshot->read_at->toAtomString(),
            ];
    }
}
