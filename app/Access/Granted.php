<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\Ability;
use App\Models\TenantRow;

/** What somebody is to be let do: for which customer, how far, for what and until when. */
final readonly class Granted
{
    /**
     * @param  ?TenantRow  $customer  null for every customer
     * @param  ?\DateTimeImmutable  $until  null for no end
     * @param  ?\DateTimeImmutable  $from  null for at once
     */
    public function __construct(
        public ?TenantRow $customer,
        public Ability $ability,
        public ?string $purpose,
        public ?\DateTimeImmutable $until,
        public ?\DateTimeImmutable $from = null,
    ) {
    }
}
