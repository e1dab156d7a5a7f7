<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Audit\Mended;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Change\Operation;

/** What mending changes at one customer, field by field, and what it leaves. */
final class MendedResource
{
    /** @return array<string, mixed> */
    public static function of(Mended $mended): array
    {
        return [
            'changes' => array_map(
                static fn (Operation $operation): array => DraftResource::change($operation, $mended->book),
                $mended->changes,
            ),
            'left' => array_map(self::told(...), $mended->left),
            'brings' => array_map(self::told(...), $mended->brings),
            'callersNotice' => $mended->callersNotice,
            'revision' => $mended->revision,
        ];
    }

    /** @return array{severity: string, title: string} */
    private static function told(Finding $finding): array
    {
        return ['severity' => $finding->severity()->value, 'title' => $finding->title()];
    }
}
