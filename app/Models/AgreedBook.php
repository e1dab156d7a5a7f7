<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $tenant_id
 * @property array<string, mixed> $book
 */
final class AgreedBook extends Row
{
    protected $table = 'agreed';

    protected $primaryKey = 'tenant_id';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['book' => 'array'];
    }
}
