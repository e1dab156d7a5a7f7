<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Desk\DeskView;
use Jaunty\Core\Book\BookObject;

/** One customer's book with pending edits, as the contract has it. */
final class DeskResource
{
    /** @return array<string, mixed> */
    public static function of(DeskView $desk): array
    {
        $view = $desk->view;
        $draft = DraftResource::of($view);

        return [
            'key' => $desk->tenant->key,
            'revision' => $view->headRevision,
            'objects' => array_map(
                static fn (BookObject $object): array => ObjectResource::of($object, $view->edited),
                [$view->edited->tenant, ...$view->edited->objects()],
            ),
            'draft' => $draft,
            'numbers' => (object) (NumbersResource::ofBook($view->edited) + NumbersResource::in($draft)),
            ...$desk->margin === null ? [] : ['margin' => MarginResource::of($desk->margin)],
            ...$desk->made === null ? [] : ['made' => array_map(strval(...), $desk->made)],
        ];
    }
}
