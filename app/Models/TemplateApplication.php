<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $tenant_id
 * @property string $id
 * @property string $template_version_id
 * @property array<string, mixed> $answers
 * @property array<string, mixed> $made
 * @property \Carbon\CarbonImmutable $applied_at
 * @property-read TemplateVersion $version
 */
final class TemplateApplication extends Row
{
    protected $table = 'template_applications';

    /** @return BelongsTo<TemplateVersion, $this> */
    public function version(): BelongsTo
    {
        return $this->belongsTo(TemplateVersion::class, 'template_version_id');
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['answers' => 'array', 'made' => 'array', 'applied_at' => 'immutable_datetime'];
    }
}
