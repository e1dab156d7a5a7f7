<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Site;
use Jaunty\Core\Places\TestBasis;

/** What the carrier last said of a site's address. */
final readonly class AddressSeen
{
    /** @var array<string, string> */
    private array $address;

    /**
     * @param  string  $site  its id, or its key where it has none
     * @param  string  $on  a date
     * @param  string  $verdict  `good`, `better` written otherwise, `unknown`; `noted` of a date that somebody entered
     *     before checks were kept
     * @param  array<string, string>  $address  as it was then, by part
     * @param  array<string, string>  $better  as the carrier writes it, where that is otherwise
     * @param  string  $remark  the carrier's
     */
    public function __construct(
        public string $site,
        public string $on,
        public string $verdict,
        array $address,
        public array $better = [],
        public string $remark = '',
    ) {
        $this->address = TestBasis::inOrder($address);
    }

    public function isOf(Site $site): bool
    {
        return $this->site === ($site->id ?? $site->key);
    }

    /**
     * @return ?string what was said of the address as it is now: good as well where it was written since as the carrier
     *     does; null where it was changed otherwise
     */
    public function verdictOn(Site $site): ?string
    {
        $now = TestBasis::inOrder(TestBasis::addressOf($site));

        return match (true) {
            $now === $this->address => $this->verdict,
            $this->better !== [] && $now === TestBasis::inOrder($this->better) => 'good',
            default => null,
        };
    }
}
