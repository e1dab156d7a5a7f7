<?php

declare(strict_types=1);

namespace App\Book;

use App\Models\DeviceRow;
use App\Models\FindableRow;
use App\Models\ObjectLink;
use App\Models\ObjectRow;
use App\Support\Parts;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Book\User;

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
        $last = ObjectRow::query()->where('tenant_id', $tenantId)->max('position');
        $next = is_int($last) ? $last + 1 : 0;
        [$new, $changed] = [[], []];
        foreach ([$after->tenant, ...$after->objects()] as $object) {
            $old = $before->find(Reference::of($object));
            if ($old === null || $old->id() !== $object->id()) {
                // Behind all others, as it stands in the edited book; what is there keeps its place.
                $new[$next++] = $object;
            } elseif ($old->toArray() !== $object->toArray()) {
                $changed[] = $object;
            }
        }
        $this->put($tenantId, $after, $changed, $origins);
        $this->put($tenantId, $after, $new, $origins);
    }

    /**
     * The first book of a customer, written whole.
     *
     * @param  array<string, string>  $origins  by reference
     */
    public function writeNew(string $tenantId, Book $book, array $origins): void
    {
        $this->put($tenantId, $book, [$book->tenant, ...$book->objects()], $origins);
    }

    /**
     * @param  array<int, BookObject>  $objects  by position, which counts for those that are new
     * @param  array<string, string>  $origins  by reference
     */
    private function put(string $tenantId, Book $book, array $objects, array $origins): void
    {
        [$rows, $ids, $links, $devices, $findables] = [[], [], [], [], []];
        foreach ($objects as $position => $object) {
            $ids[] = $id = $this->idOf($object);
            $rows[] = [
                'tenant_id' => $tenantId,
                'id' => $id,
                'kind' => $object->kind()->value,
                'key' => $object->key(),
                'name' => $object->label(),
                'extension' => $object->extension(),
                'body' => json_encode(
                    BookFormat::compact($object),
                    JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
                ),
                'schema_version' => BookFormat::VERSION,
                'shown' => ShownObject::json($object),
                'shown_as' => ShownObject::contract(),
                'position' => $position,
                'origin' => $origins[(string) Reference::of($object)] ?? null,
            ];
            $findables[] = Findable::row($tenantId, $id, $object, $this->leadsTo($book, $object));
            foreach ($object instanceof User ? $object->legs : [] as $leg) {
                // Twice at one customer is a finding there; at two customers one of them would ring the other's.
                if ($leg->hardware !== null) {
                    $devices[$leg->hardware] = [
                        'hardware' => $leg->hardware,
                        'tenant_id' => $tenantId,
                        'object_id' => $id,
                    ];
                }
            }
            foreach ($object->links() as $link) {
                $target = $book->find($link->to) ?? throw new \LogicException("{$link->to} is not in the book");
                $links[] = [
                    'tenant_id' => $tenantId, 'from_id' => $id, 'path' => $link->path, 'to_id' => $this->idOf($target),
                ];
            }
        }
        foreach (Parts::of($rows) as $some) {
            ObjectRow::query()->upsert($some, ['tenant_id', 'id'], [
                'name', 'extension', 'body', 'schema_version', 'shown', 'shown_as',
            ]);
        }
        foreach (Parts::of(array_values(array_filter($findables, is_array(...)))) as $some) {
            FindableRow::query()->upsert($some, ['tenant_id', 'object_id'], [
                'label', 'extension', 'digits', 'national', 'words', 'leads_to',
            ]);
        }
        foreach (Parts::of($ids) as $some) {
            ObjectLink::query()->where('tenant_id', $tenantId)->whereIn('from_id', $some)->delete();
        }
        foreach (Parts::of($links) as $some) {
            ObjectLink::query()->insert($some);
        }
        $this->placeDevices($tenantId, $book, $ids, $devices);
    }

    /**
     * @param  list<string>  $ids  of the objects that were written
     * @param  array<string, array{hardware: string, tenant_id: string, object_id: string}>  $devices
     */
    private function placeDevices(string $tenantId, Book $book, array $ids, array $devices): void
    {
        foreach (Parts::of($ids) as $some) {
            DeviceRow::query()->where('tenant_id', $tenantId)->whereIn('object_id', $some)->delete();
        }
        foreach (Parts::of(array_values($devices)) as $some) {
            // Those that the customer has already, with another user, are passed over as well.
            if (DeviceRow::query()->insertOrIgnore($some) < count($some)) {
                $here = DeviceRow::query()->where('tenant_id', $tenantId)
                    ->whereIn('hardware', array_column($some, 'hardware'))
                    ->pluck('hardware')
                    ->all();
                foreach (
                    array_diff(array_column($some, 'hardware'), array_filter($here, is_string(...))) as $hardware
                ) {
                    throw UnusableBook::deviceElsewhere($hardware, self::legWith($book, $hardware));
                }
            }
        }
    }

    /** @return string the path of a leg that has a device */
    private static function legWith(Book $book, string $hardware): string
    {
        foreach ($book->all(User::class) as $user) {
            foreach ($user->legs as $leg) {
                if ($leg->hardware === $hardware) {
                    return Reference::of($user) . ".legs.{$leg->item}.hardware";
                }
            }
        }

        return '';
    }

    /** @param list<string> $ids */
    private function delete(string $tenantId, array $ids): void
    {
        if ($ids !== []) {
            ObjectLink::query()->where('tenant_id', $tenantId)->whereIn('from_id', $ids)->delete();
            DeviceRow::query()->where('tenant_id', $tenantId)->whereIn('object_id', $ids)->delete();
            FindableRow::query()->where('tenant_id', $tenantId)->whereIn('object_id', $ids)->delete();
            ObjectRow::query()->where('tenant_id', $tenantId)->whereIn('id', $ids)->delete();
        }
    }

    /** The id of what a number leads to first, where that is in the book. */
    private function leadsTo(Book $book, BookObject $object): ?string
    {
        $reference = $object instanceof Number ? $object->destination?->object : null;
        $first = $reference === null ? null : $book->find($reference);

        return $first === null ? null : $this->idOf($first);
    }

    private function idOf(BookObject $object): string
    {
        return $object->id() ?? throw new \LogicException(Reference::of($object) . ' has no id yet');
    }
}
