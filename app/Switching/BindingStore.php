<?php

declare(strict_types=1);

namespace App\Switching;

use App\Models\Binding;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Reference;

/** Keeps which object is which record on a switch, by the object's id, which no renaming touches. */
final class BindingStore
{
    /** @param list<Book> $books where to look up which object an id is: the first that knows it */
    public function load(string $tenantId, string $connector, array $books): Bindings
    {
        $references = [];
        foreach ($books as $book) {
            foreach ([$book->tenant, ...$book->objects()] as $object) {
                $references[(string) $object->id()] ??= Reference::of($object);
            }
        }
        $pairs = [];
        foreach (Binding::query()->where('tenant_id', $tenantId)->where('connector', $connector)->get() as $row) {
            if (isset($references[$row->object_id])) {
                $pairs[] = [$references[$row->object_id], new Bound($row->external_id, $row->version)];
            }
        }

        return Bindings::fromPairs($pairs);
    }

    public function put(string $tenantId, string $connector, string $objectId, Bound $bound): void
    {
        // The record may have stood for another object before, paired by hand or made anew.
        Binding::query()->where('tenant_id', $tenantId)->where('connector', $connector)
            ->where('external_id', $bound->externalId)->where('object_id', '<>', $objectId)->delete();
        Binding::query()->upsert([[
            'tenant_id' => $tenantId,
            'object_id' => $objectId,
            'connector' => $connector,
            'external_id' => $bound->externalId,
            'version' => $bound->version,
        ]], ['tenant_id', 'object_id', 'connector'], ['external_id', 'version']);
    }
}
