<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;

/** Small books that audits are tried on, written as the tenant book has them. */
final class Samples
{
    /** Noon at Port Merrow on Wednesday 2 December 2026. */
    public const NOW = RuleCase::NOW;

    /** Fits numbers as one writes them in a sample. */
    public const NUMBER = '+19025550150';

    private const TENANT = [
        'key' => 'sample', 'name' => 'Sample Chandlery', 'region' => 'CA', 'zone' => 'America/Halifax',
    ];

    /** @param array<string, mixed> $value */
    public static function book(array $value): Book
    {
        $tenant = is_array($value['tenant'] ?? null) ? $value['tenant'] : [];

        return BookFormat::fromValue(
            ['format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION, 'tenant' => $tenant + self::TENANT]
            + $value,
        );
    }
}
