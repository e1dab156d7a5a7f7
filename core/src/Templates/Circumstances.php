<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\Hours\LocalDate;

/** What an answer is read by besides itself: "till Christmas" is of some year, 902 555 0110 of some country. */
final readonly class Circumstances
{
    /**
     * @param  int  $today  days since 1970
     * @param  ?string  $country  ISO 3166-1, whose national form of numbers is meant
     * @param  ?string  $mainNumber  in E.164, of whose area seven digits are
     */
    public function __construct(public int $today, public ?string $country = null, public ?string $mainNumber = null)
    {
    }

    public static function at(\DateTimeInterface $now): self
    {
        return new self(LocalDate::parse($now->format('Y-m-d')));
    }

    public function in(?string $country): self
    {
        return new self($this->today, $country ?? $this->country, $this->mainNumber);
    }

    public function withMain(string $number): self
    {
        return new self($this->today, $this->country, $this->mainNumber ?? $number);
    }
}
