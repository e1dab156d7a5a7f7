<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Jaunty\Core\Change\ChangeSet;

/**
 * @property string $tenant_id
 * @property string $technician_id
 * @property int $base_revision
 * @property list<array<string, mixed>> $operations  as they were written; changes() gives them as they are read now
 * @property int $schema_version of the format they were written in
 * @property ?array{version: string, answers: array<string, mixed>, made: array<string, mixed>, origins: array<string,
 *     string>} $application
 * @property \Carbon\CarbonImmutable $updated_at
 * @property-read Technician $technician
 */
final class Draft extends Row
{
    protected $table = 'drafts';

    protected $primaryKey = 'technician_id';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['operations' => 'array', 'application' => 'array', 'updated_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Technician, $this> */
    public function technician(): BelongsTo
    {
        return $this->belongsTo(Technician::class, 'technician_id');
    }

    public function changes(): ChangeSet
    {
        return ChangeSet::read($this->operations, version: $this->schema_version);
    }
}
