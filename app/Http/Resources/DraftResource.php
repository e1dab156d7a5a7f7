<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Book\DraftView;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Change\Clash;
use Jaunty\Core\Change\Operation;

/** Pending edits: what was, what will be, and what somebody else changed meanwhile. */
final class DraftResource
{
    /**
     * @param  ?DraftView  $view  null where nothing is pending
     * @return array<string, mixed>
     */
    public static function of(?DraftView $view): array
    {
        return $view === null ? ['changes' => [], 'clashes' => []] : [
            'changes' => array_map(
                static fn (Operation $operation): array => self::change($operation, $view->edited),
                $view->changes->operations,
            ),
            'clashes' => array_map(self::clash(...), $view->clashes),
        ];
    }

    /** @return array<string, mixed> */
    public static function change(Operation $operation, Book $book): array
    {
        $whole = is_array($operation->after)
            ? $operation->after
            : (is_array($operation->before) ? $operation->before : []);
        $name = $whole['name'] ?? $whole['label'] ?? null;

        return [
            'op' => $operation->kind->value,
            'object' => (string) $operation->object,
            'label' => $book->find($operation->object)?->label()
                ?? (is_string($name) ? $name : $operation->object->key),
            'path' => $operation->path,
            'before' => $operation->path === null ? null : $operation->before,
            'after' => $operation->path === null ? null : $operation->after,
        ];
    }

    /** @return array<string, mixed> */
    public static function clash(Clash $clash): array
    {
        return [
            'object' => (string) $clash->object, 'path' => $clash->path, 'base' => $clash->base, 'ours' => $clash->ours,
            'theirs' => $clash->theirs,
        ];
    }
}
