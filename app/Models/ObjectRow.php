<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $tenant_id
 * @property string $id
 * @property string $kind
 * @property string $key
 * @property array<string, mixed> $body
 * @property int $schema_version of the format the body was written in
 * @property ?string $origin
 * @property int $position
 */
final class ObjectRow extends Row
{
    protected $table = 'objects';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['body' => 'array'];
    }
}
