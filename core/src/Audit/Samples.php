<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;

/** The two sides of a rule as small books, written as the tenant book has them. */
final readonly class Samples
{
    /** Noon at Port Merrow on Wednesday 2 December 2026, when samples are audited. */
    public const NOW = 1_796_227_200;

    private const TENANT = ['key' => 'sample', 'name' => 'Sample Chandlery', 'region' => 'CA', 'zone' => 'America/Halifax'];

    /** Fits numbers as one writes them in a sample. */
    public const NUMBER = '+19025550150';

    /** @param ?Book $live what the switch says of the bad one, of a rule about drift */
    private function __construct(public Book $good, public Book $bad, public ?Book $live)
    {
    }

    /**
     * @param  array<string, mixed>  $base  what both books hold
     * @param  array<string, mixed>  $bad  what the bad one holds instead, by list
     */
    public static function of(array $base, array $bad): self
    {
        return new self(self::book($base), self::book($bad + $base), null);
    }

    /**
     * @param  array<string, mixed>  $book
     * @param  array<string, mixed>  $live  what live holds instead, by list
     */
    public static function drift(array $book, array $live): self
    {
        return new self(self::book($book), self::book($book), self::book($live + $book));
    }

    /** @param array<string, mixed> $value */
    private static function book(array $value): Book
    {
        $tenant = is_array($value['tenant'] ?? null) ? $value['tenant'] : [];

        return BookFormat::fromValue(['format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION, 'tenant' => $tenant + self::TENANT] + $value);
    }
}
