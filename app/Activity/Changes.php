<?php

declare(strict_types=1);

namespace App\Activity;

use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Operation;

/** Changes of a book as an entry tells them: each with before and after. */
final readonly class Changes
{
    /** @return array{changes: list<array<string, mixed>>, count: ?int} count where there are more than are told */
    public static function told(?ChangeSet $of): array
    {
        $operations = $of->operations ?? [];

        return [
            'changes' => array_map(
                static fn (Operation $each): array => array_filter([
                    'object' => (string) $each->object, 'path' => $each->path, 'op' => $each->kind->value,
                    'before' => $each->path === null ? null : $each->before,
                    'after' => $each->path === null ? null : $each->after,
                ], static fn (mixed $value): bool => $value !== null),
                array_slice($operations, 0, ActivityLog::MOST_CHANGES),
            ),
            'count' => count($operations) > ActivityLog::MOST_CHANGES ? count($operations) : null,
        ];
    }
}
