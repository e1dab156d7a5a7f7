<?php

declare(strict_types=1);

namespace App\Book;

use App\Models\ObjectRow;
use App\Models\Revision;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Tenant;
use Jaunty\Core\Book\Unread;
use Jaunty\Core\Change\ChangeSet;

/** Gives core whole books: the customer's in scope, now or as it was. */
final class BookRepository
{
    /** The book as last entered, in one query; each object of it is read when somebody asks for it. */
    public function head(string $tenantId): Book
    {
        $tenant = null;
        $objects = [];
        $rows = ObjectRow::query()->where('tenant_id', $tenantId)->orderBy('position')->orderBy('id')
            ->toBase()
            ->get(['id', 'kind', 'key', 'body', 'schema_version']);
        foreach ($rows as $row) {
            /** @var \stdClass&object{id: string, kind: string, key: string, body: string, schema_version: int} $row */
            $kept = new Unread(Kind::from($row->kind), $row->key, $row->id, $row->body, $row->schema_version);
            $object = $kept->kind === Kind::Tenant ? $kept->object() : null;
            if ($object instanceof Tenant) {
                $tenant = $object;
            } else {
                $objects[] = $kept;
            }
        }

        return Book::kept($tenant ?? throw new \LogicException("customer {$tenantId} has no book"), $objects);
    }

    /** The book as revision $no left it: the head with every later revision turned round. */
    public function at(string $tenantId, int $no): Book
    {
        $later = Revision::query()->where('tenant_id', $tenantId)->where('no', '>', $no)->orderByDesc('no')->get();

        return self::before(
            $this->head($tenantId),
            ...$later->map(static fn (Revision $revision): ChangeSet => $revision->changes())->all(),
        );
    }

    /** The book as it was before some changes, the newest first. */
    public static function before(Book $book, ChangeSet ...$changes): Book
    {
        foreach ($changes as $each) {
            $book = $each->inverse()->applyTo($book);
        }

        return $book;
    }
}
