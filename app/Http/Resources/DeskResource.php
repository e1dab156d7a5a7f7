<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Book\DraftView;
use App\Book\ShownObject;
use App\Desk\DeskChange;
use App\Desk\DeskView;
use Jaunty\Core\Book\Reference;

/** One customer's book with pending edits, as the contract has it: JSON, since most of it was made before. */
final class DeskResource
{
    public static function whole(DeskView $desk): string
    {
        $draft = DraftResource::of($desk->view);
        $objects = implode(',', $desk->objects);

        return self::put([
            'key' => $desk->tenant->key,
            'revision' => $desk->view->headRevision ?? $desk->tenant->head_revision,
            'may' => $desk->may->value,
            'draft' => $draft,
            'numbers' => (object) (NumbersResource::inJson($objects) + NumbersResource::in($draft)),
        ], $objects);
    }

    public static function change(DeskChange $change): string
    {
        $view = $change->view;
        $draft = DraftResource::of($view);
        $objects = implode(',', array_map(
            ShownObject::json(...),
            array_filter(array_map($view->edited->find(...), $view->touched)),
        ));

        return self::put([
            'key' => $change->tenant->key,
            'revision' => $view->headRevision,
            'gone' => array_values(array_map(strval(...), array_filter(
                $view->touched,
                static fn (Reference $each): bool => $view->edited->find($each) === null,
            ))),
            'order' => (object) self::orders($view),
            'draft' => $draft,
            'numbers' => (object) (NumbersResource::inJson($objects) + NumbersResource::in($draft)),
            ...$change->margin === null ? [] : ['margin' => MarginResource::of($change->margin)],
            ...$change->made === null ? [] : ['made' => array_map(strval(...), $change->made)],
        ], $objects);
    }

    /** @return array<string, list<string>> the objects of each kind of which some came, in order */
    private static function orders(DraftView $view): array
    {
        $orders = [];
        foreach ($view->came as $kind) {
            $orders[$kind->value] = array_map(
                static fn (string $key): string => (string) Reference::to($kind, $key),
                $view->edited->keys($kind),
            );
        }

        return $orders;
    }

    /** @param array<string, mixed> $around */
    private static function put(array $around, string $objects): string
    {
        $json = json_encode($around, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);

        return substr($json, 0, -1) . ",\"objects\":[{$objects}]}";
    }
}
