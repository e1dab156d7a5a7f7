<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $tenant_id
 * @property string $id
 * @property int $revision
 * @property string $signed_by
 * @property string $signed_on a date
 * @property \Carbon\CarbonImmutable $made_at
 */
final class SignedBook extends Row
{
    protected $table = 'signed_books';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['made_at' => 'immutable_datetime'];
    }
}
