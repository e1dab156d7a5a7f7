<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Jaunty\Core\Change\ChangeSet;

/**
 * @property string $tenant_id
 * @property int $no
 * @property string $technician_id
 * @property string $source taking-on, edit or undo
 * @property ?string $note
 * @property ?int $undoes
 * @property list<array<string, mixed>> $operations  as they were written; changes() gives them as they are read now
 * @property int $schema_version of the format they were written in
 * @property \Carbon\CarbonImmutable $entered_at
 * @property-read Technician $technician
 */
final class Revision extends Row
{
    protected $table = 'revisions';

    protected $primaryKey = 'no';

    /** @return BelongsTo<Technician, $this> */
    public function technician(): BelongsTo
    {
        return $this->belongsTo(Technician::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['operations' => 'array', 'entered_at' => 'immutable_datetime'];
    }

    public function changes(): ChangeSet
    {
        return ChangeSet::read($this->operations, version: $this->schema_version);
    }
}
