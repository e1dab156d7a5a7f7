<?php

declare(strict_types=1);

namespace App\Book;

use App\Models\ObjectRow;
use App\Models\Revision;
use Illuminate\Database\ConnectionInterface;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Tenant;
use Jaunty\Core\Book\Unread;
use Jaunty\Core\Change\ChangeSet;

/** Gives core whole books: the customer's in scope, now or as it was. */
final readonly class BookRepository
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** The book as last entered, in one query; each object of it is read when somebody asks for it. */
    public function head(string $tenantId): Book
    {
        /**
         * @var list<\stdClass&object{id: string, kind: string, key: string, body: string, schema_version: int}> $rows
         */
        $rows = ObjectRow::query()->where('tenant_id', $tenantId)->orderBy('position')->orderBy('id')
            ->toBase()
            ->get(['id', 'kind', 'key', 'body', 'schema_version'])
            ->all();

        return self::book($tenantId, array_map(static fn (object $row): Unread => new Unread(
            Kind::from($row->kind),
            $row->key,
            $row->id,
            $row->body,
            $row->schema_version,
        ), $rows));
    }

    /** The book as revision $no left it: the next one that is kept whole, with every revision up to it turned round. */
    public function at(string $tenantId, int $no): Book
    {
        $kept = $this->db->selectOne(
            'select revision, objects from kept_books where tenant_id = ? and revision >= ? order by revision limit 1',
            [$tenantId, $no],
        );
        $from = is_object($kept) && is_int($kept->revision ?? null) ? $kept->revision : null;
        $later = Revision::query()->where('tenant_id', $tenantId)->where('no', '>', $no)
            ->when($from !== null, static fn ($query) => $query->where('no', '<=', $from))
            ->orderByDesc('no')
            ->get();

        return self::before(
            is_object($kept) && is_string($kept->objects ?? null)
                ? self::read($tenantId, $kept->objects)
                : $this->head($tenantId),
            ...$later->map(static fn (Revision $revision): ChangeSet => $revision->changes())->all(),
        );
    }

    /** Keeps the book as it stands beside its revision. Safe to say twice. */
    public function keep(string $tenantId, int $revision): void
    {
        $this->db->statement(
            "insert into kept_books (tenant_id, revision, objects)
                select ?, ?, jsonb_agg(jsonb_build_object('id', id, 'kind', kind, 'key', key, 'body', body::text,
                    'version', schema_version) order by position, id)
                from objects where tenant_id = ? on conflict do nothing",
            [$tenantId, $revision, $tenantId],
        );
    }

    private static function read(string $tenantId, string $objects): Book
    {
        /** @var list<array{id: string, kind: string, key: string, body: string, version: int}> $rows */
        $rows = json_decode($objects, true, flags: JSON_THROW_ON_ERROR);

        return self::book($tenantId, array_map(static fn (array $row): Unread => new Unread(
            Kind::from($row['kind']),
            $row['key'],
            $row['id'],
            $row['body'],
            $row['version'],
        ), $rows));
    }

    /** @param list<Unread> $rows */
    private static function book(string $tenantId, array $rows): Book
    {
        $tenant = null;
        $objects = [];
        foreach ($rows as $kept) {
            $object = $kept->kind === Kind::Tenant ? $kept->object() : null;
            if ($object instanceof Tenant) {
                $tenant = $object;
            } else {
                $objects[] = $kept;
            }
        }

        return Book::kept($tenant ?? throw new \LogicException("customer {$tenantId} has no book"), $objects);
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
