<?php

declare(strict_types=1);

namespace App\Book;

use App\Models\TemplateApplication;
use App\Time\Clock;
use Illuminate\Support\Str;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;

/**
 * Which template was applied to a customer with which answers, and what it made: the base of the next application's
 * merge.
 */
final readonly class Applications
{
    public function __construct(private Clock $clock)
    {
    }

    /** @param array<string, mixed> $answers */
    public function add(string $tenantId, string $versionId, array $answers, Book $made): void
    {
        TemplateApplication::query()->insert([
            'tenant_id' => $tenantId,
            'id' => (string) Str::uuid(),
            'template_version_id' => $versionId,
            'answers' => json_encode((object) $answers, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
            'made' => json_encode(
                BookFormat::toValue($made),
                JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            ),
            'applied_at' => $this->clock->now(),
        ]);
    }

    public function newest(string $tenantId): ?TemplateApplication
    {
        return TemplateApplication::query()->where('tenant_id', $tenantId)
            ->with('version')
            ->orderByDesc('serial')
            ->first();
    }
}
