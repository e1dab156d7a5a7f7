<?php

declare(strict_types=1);

namespace App\Book;

use App\Models\SignedBook;
use Illuminate\Database\ConnectionInterface;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Change\Diff;

/**
 * What the book says otherwise than as the customer signed it, kept as one set of changes: rules ask for it at every
 * edit, and it must not take longer the longer ago that was. In the customer's scope.
 */
final readonly class SinceSigned
{
    public function __construct(private BookRepository $books, private ConnectionInterface $db)
    {
    }

    /**
     * @param  Book  $head  as last entered
     * @param  int  $revision  that it is
     */
    public function keep(string $tenantId, Book $head, int $revision): void
    {
        $signed = SignedBook::query()->where('tenant_id', $tenantId)
            ->orderByDesc('signed_on')
            ->orderByDesc('made_at')
            ->value('revision');
        if (! is_int($signed)) {
            return;
        }
        $changes = Diff::between($this->books->at($tenantId, $signed), $head);
        $this->db->statement(
            'insert into since_signed (tenant_id, signed, revision, operations, schema_version) values (?, ?, ?, ?, ?) '
                . 'on conflict (tenant_id) do update set signed = excluded.signed, revision = excluded.revision, '
                . 'operations = excluded.operations, schema_version = excluded.schema_version',
            [$tenantId, $signed, $revision, json_encode(
                $changes->toArray(),
                JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            ), BookFormat::VERSION],
        );
    }
}
