<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A finding as it was last seen at a customer; written by FindingStore, and read for lists over all of them.
 *
 * @property string $tenant_id
 * @property string $fingerprint
 * @property string $rule
 * @property string $severity
 * @property string $title
 * @property string $detail
 * @property string $object
 * @property non-empty-list<string> $objects
 * @property ?string $path
 * @property ?string $fix
 * @property int $count
 * @property bool $waived
 * @property ?int $first_revision
 * @property ?string $assignee_id
 * @property ?string $due_on
 * @property \Carbon\CarbonImmutable $first_seen
 */
final class FindingRow extends Row
{
    protected $table = 'findings';

    protected $primaryKey = 'fingerprint';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['objects' => 'array', 'first_seen' => 'immutable_datetime'];
    }
}
