<?php

declare(strict_types=1);

namespace App\Book;

use App\Models\ObjectLink;
use App\Models\ObjectRow;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Reference;

/** Writes objects and what is projected from them (name, extension, links): the only place that does. */
final class ObjectProjection
{
    /** @param array<string, string> $origins by reference, of objects a template made */
    public function write(string $tenantId, Book $before, Book $after, array $origins = []): void
    {
        $doomed = [];
        foreach ($before->objects() as $object) {
            if ($after->find(Reference::of($object)) === null) {
                $doomed[] = $this->idOf($object);
            }
        }
        $this->delete($tenantId, $doomed);
        foreach ([$after->tenant, ...$after->objects()] as $position => $object) {
            $old = $before->find(Reference::of($object));
            if ($old === null || $old->id() !== $object->id() || $old->toArray() !== $object->toArray()) {
                $this->put($tenantId, $after, $object, $position, $origins[(string) Reference::of($object)] ?? null);
            }
        }
    }

    /**
     * The first book of a customer, written whole.
     *
     * @param  array<string, string>  $origins  by reference
     */
    public function writeNew(string $tenantId, Book $book, array $origins): void
    {
        foreach ([$book->tenant, ...$book->objects()] as $position => $object) {
            $this->put($tenantId, $book, $object, $position, $origins[(string) Reference::of($object)] ?? null);
        }
    }

    private function put(string $tenantId, Book $book, BookObject $object, int $position, ?string $origin): void
    {
        $id = $this->idOf($object);
        $row = [
            'tenant_id' => $tenantId,
            'id' => $id,
            'kind' => $object->kind()->value,
            'key' => $object->key(),
            'name' => $object->label(),
            'extension' => $object->extension(),
            'body' => json_encode(BookFormat::compact($object), JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
            'position' => $position,
        ];
        ObjectRow::query()->upsert([$row + ['origin' => $origin]], ['tenant_id', 'id'], ['name', 'extension', 'body']);
        ObjectLink::query()->where('tenant_id', $tenantId)->where('from_id', $id)->delete();
        $links = [];
        foreach ($object->links() as $link) {
            $target = $book->find($link->to) ?? throw new \LogicException("{$link->to} is not in the book");
            $links[] = ['tenant_id' => $tenantId, 'from_id' => $id, 'path' => $link->path, 'to_id' => $this->idOf($target)];
        }
        ObjectLink::query()->insert($links);
    }

    /** @param list<string> $ids */
    private function delete(string $tenantId, array $ids): void
    {
        if ($ids !== []) {
            ObjectLink::query()->where('tenant_id', $tenantId)->whereIn('from_id', $ids)->delete();
            ObjectRow::query()->where('tenant_id', $tenantId)->whereIn('id', $ids)->delete();
        }
    }

    private function idOf(BookObject $object): string
    {
        return $object->id() ?? throw new \LogicException(Reference::of($object) . ' has no id yet');
    }
}
