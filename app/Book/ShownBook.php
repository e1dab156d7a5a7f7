<?php

declare(strict_types=1);

namespace App\Book;

use App\Models\ObjectRow;
use Illuminate\Support\Facades\DB;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;

/** A whole book as screens show it, out of what was made when its objects were written. */
final readonly class ShownBook
{
    private const AT_ONCE = 1_000;

    public function __construct(private BookRepository $books)
    {
    }

    /**
     * @param  ?DraftView  $view  null where nothing is pending
     * @return list<string> JSON of each object of the edited book: the tenant, then kinds in the order of the format's
     *     page
     */
    public function of(string $tenantId, ?DraftView $view): array
    {
        $head = $view?->head;
        [$shown, $anew] = [[], []];
        $rows = ObjectRow::query()->where('tenant_id', $tenantId)->orderBy('position')->orderBy('id')
            ->toBase()
            ->get(['id', 'kind', 'key', 'shown', 'shown_as']);
        foreach ($rows as $row) {
            /** @var \stdClass&object{id: string, kind: string, key: string, shown: ?string, shown_as: ?string} $row */
            if ($row->shown === null || $row->shown_as !== ShownObject::contract()) {
                $head ??= $this->books->head($tenantId);
                $object = $head->find(Reference::to(Kind::from($row->kind), $row->key));
                $anew[$row->id] = $row->shown = $object === null ? null : ShownObject::json($object);
            }
            $shown[$row->kind][$row->key] = $row->shown;
        }
        $this->keep($tenantId, array_filter($anew, is_string(...)));
        foreach ($view?->changes->objects() ?? [] as $reference) {
            $object = $view?->edited->find($reference);
            $shown[$reference->kind->value][$reference->key] = $object === null ? null : ShownObject::json($object);
        }
        $all = [];
        foreach ([Kind::Tenant, ...Kind::listed()] as $kind) {
            array_push($all, ...array_values(array_filter($shown[$kind->value] ?? [], is_string(...))));
        }

        return $all;
    }

    /**
     * What was written for another contract is made for this one once. Whoever changed an object meanwhile did so too.
     *
     * @param  array<string, string>  $made  JSON by id
     */
    private function keep(string $tenantId, array $made): void
    {
        foreach (array_chunk($made, self::AT_ONCE, true) as $some) {
            DB::update(
                'update objects set shown = made.value, shown_as = ? from json_each(?::json) as made '
                . 'where tenant_id = ? and id = made.key::uuid and shown_as is distinct from ?',
                [
                    ShownObject::contract(),
                    '{' . implode(',', array_map(
                        static fn (string $id, string $json): string => "\"{$id}\":{$json}",
                        array_keys($some),
                        $some,
                    )) . '}',
                    $tenantId,
                    ShownObject::contract(),
                ],
            );
        }
    }
}
