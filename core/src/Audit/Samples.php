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
    private function __construct(public Book $good, public Book $bad, private ?Book $live = null, private ?Surroundings $goodIn = null, private ?Surroundings $badIn = null, private ?Failure $failure = null)
    {
    }

    /**
     * @param  array<string, mixed>  $base  what both books hold
     * @param  array<string, mixed>  $bad  what the bad one holds instead, by list
     */
    public static function of(array $base, array $bad): self
    {
        return new self(self::book($base), self::book($bad + $base));
    }

    /**
     * @param  array<string, mixed>  $book
     * @param  array<string, mixed>  $live  what live holds instead, by list
     */
    public static function drift(array $book, array $live): self
    {
        return new self(self::book($book), self::book($book), self::book($live + $book));
    }

    /**
     * One book, in surroundings in which nothing is found and in others.
     *
     * @param  array<string, mixed>  $book
     */
    public static function surrounded(array $book, Surroundings $good, Surroundings $bad): self
    {
        return new self(self::book($book), self::book($book), null, $good, $bad);
    }

    /**
     * One book, over which a rule fell.
     *
     * @param  array<string, mixed>  $book
     */
    public static function failing(array $book, Failure $failure): self
    {
        return new self(self::book($book), self::book($book), failure: $failure);
    }

    /** The good one as a rule about drift or surroundings looks at it. */
    public function good(): Inspection
    {
        return new Inspection($this->good, self::NOW, $this->live === null ? null : $this->good, surroundings: $this->goodIn);
    }

    public function bad(): Inspection
    {
        return $this->like($this->bad);
    }

    /** Another book where the bad one is. */
    public function like(Book $book): Inspection
    {
        return new Inspection($book, self::NOW, $this->live, surroundings: $this->badIn, failures: $this->failure === null ? [] : [$this->failure]);
    }

    /** @return ?Book what the switch says of the bad one */
    public function live(): ?Book
    {
        return $this->live;
    }

    /**
     * For surroundings of samples.
     *
     * @param  array<string, mixed>  $value
     */
    public static function book(array $value): Book
    {
        $tenant = is_array($value['tenant'] ?? null) ? $value['tenant'] : [];

        return BookFormat::fromValue(['format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION, 'tenant' => $tenant + self::TENANT] + $value);
    }
}
