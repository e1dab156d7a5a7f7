<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Site;
use Jaunty\Core\Places\TestBasis;

/** The last test call for help of a site. */
final readonly class TestSeen
{
    /**
     * @param  string  $site  its id, or its key where it has none
     * @param  string  $on  a date
     * @param  bool  $passed  whether what was read back and shown was right
     * @param  ?array{address: array<string, string>, callback: ?string, telephones: list<string>}  $basis  what it was
     *     made with; null of a date that somebody entered before tests were kept
     */
    public function __construct(
        public string $site,
        public string $on,
        public bool $passed,
        private ?array $basis,
    ) {
    }

    public function isOf(Site $site): bool
    {
        return $this->site === ($site->id ?? $site->key);
    }

    /** What it was made with; null where nobody wrote that down. */
    public function basis(): ?TestBasis
    {
        return $this->basis === null ? null : new TestBasis(
            $this->basis['address'],
            $this->basis['callback'],
            $this->basis['telephones'],
        );
    }
}
