<?php

declare(strict_types=1);

namespace App\TakingOn;

use App\Access\AccessDenied;
use App\Access\Scope;
use App\Book\NumberNotFree;
use App\Book\RevisionSource;
use App\Book\RevisionWriter;
use App\Models\TenantRow;
use App\Places\NotedDates;
use App\Switching\Switches;
use Illuminate\Support\Str;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Tenant;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Identity\NameBasedUuid;

/**
 * A customer taken on from a whole tenant book: what export gives, or another program wrote. Its numbers come from
 * stock.
 */
final readonly class BookImport
{
    public function __construct(
        private Scope $scope,
        private RevisionWriter $revisions,
        private Switches $switches,
        private NotedDates $dates,
    ) {
    }

    /**
     * @param  string  $file  a tenant book as JSON, of any version
     * @return array{TenantRow, list<Operation>} the customer, and what had to be fitted to the switch's steps
     *
     * @throws UnusableBook|NumberNotFree|AccessDenied
     */
    public function import(string $technicianId, string $file): array
    {
        $given = BookFormat::fromJson($file);
        $tenantId = (string) Str::uuid();
        $book = $this->switches->standard()->capabilities()->granularity()->fit(self::withIds($given, $tenantId));
        $fitted = Diff::between(self::withIds($given, $tenantId), $book)->operations;

        return [$this->scope->newTenant(
            $technicianId,
            $tenantId,
            function () use ($technicianId, $tenantId, $book, $file): TenantRow {
                if (TenantRow::query()->where('key', $book->tenant->key)->exists()) {
                    throw UnusableBook::customerTaken('tenant.key', $book->tenant->key);
                }
                $tenant = TenantRow::query()->create([
                    'id' => $tenantId,
                    'key' => $book->tenant->key,
                    'name' => $book->tenant->name,
                    'stage' => $book->tenant->state->value,
                    'zone' => $book->tenant->zone,
                    'connector' => $this->switches->standard()->name(),
                    'head_revision' => 0,
                    'looked_after_by' => $technicianId,
                ]);
                $this->dates->keep($tenantId, $file, $book);
                $this->revisions->begin($tenant, $technicianId, $book, [], RevisionSource::Import);

                return $tenant->refresh();
            },
        ), $fitted];
    }

    /**
     * Objects without an id get one made of their name, so that the same file gives the same ids at the same customer.
     */
    private static function withIds(Book $book, string $tenantId): Book
    {
        $objects = array_map(
            static fn (BookObject $object): BookObject => $object->id() !== null
            ? $object
            : $object->kind()->read(
                Node::of(['id' => NameBasedUuid::of($tenantId, (string) Reference::of($object))] + $object->toArray()),
            ),
            $book->objects(),
        );

        return Book::of(Tenant::read(Node::of(['id' => $tenantId] + $book->tenant->toArray())), $objects);
    }
}
