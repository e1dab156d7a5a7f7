<?php

declare(strict_types=1);

namespace App\Book;

use App\Access\Scope;
use App\Models\Ability;
use App\Models\Revision;
use App\Models\TenantRow;
use Jaunty\Core\Book\Book;

/** What was entered, by whom and why; and taking it back. */
final readonly class RevisionDesk
{
    private const MOST_SHOWN = 200;

    public function __construct(private Scope $scope, private BookRepository $books, private Undo $undo)
    {
    }

    /**
     * @param  ?string  $object  a reference: only what changed that
     * @return array{Book, list<Revision>} the book as entered, and the newest revisions
     */
    public function all(string $technicianId, string $customer, ?string $object): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): array => [
                $this->books->head($tenant->id),
                array_values(
                    Revision::query()->where('tenant_id', $tenant->id)->with('technician')->orderByDesc('no')
                        ->when($object !== null, static fn ($query) => $query->whereRaw(
                            'exists (select from json_array_elements(operations) operation where '
                                . 'operation ->> \'object\' = ?)',
                            [$object],
                        ))
                        ->limit(self::MOST_SHOWN)->get()->all(),
                ),
            ],
        );
    }

    public function undo(string $technicianId, string $customer, int $no): Revision
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            fn (TenantRow $tenant): Revision => $this->undo->revision($tenant, $technicianId, $no),
        );
    }
}
