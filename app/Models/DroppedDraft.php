<?php

declare(strict_types=1);

namespace App\Models;

use Jaunty\Core\Change\ChangeSet;

/**
 * What a technician dropped last of a customer's pending edits.
 *
 * @property string $tenant_id
 * @property string $technician_id
 * @property list<array<string, mixed>> $operations  as they were written; changes() gives them as they are read now
 * @property int $schema_version of the format they were written in
 * @property ?array{version: string, answers: array<string, mixed>, made: array<string, mixed>, origins: array<string,
 *     string>} $application
 */
final class DroppedDraft extends Row
{
    protected $table = 'dropped_drafts';

    protected $primaryKey = 'tenant_id';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['operations' => 'array', 'application' => 'array'];
    }

    public function changes(): ChangeSet
    {
        return ChangeSet::read($this->operations, version: $this->schema_version);
    }
}
