<?php

declare(strict_types=1);

namespace App\CallerIdentity;

use App\Models\NumberRegistration;
use App\Models\VerifiedNumber;
use Jaunty\Core\Outbound\Vouching;

/** What a customer may show, what the network is told of it, and how far it is vouched for. */
final readonly class IdentityView
{
    /**
     * @param  list<VerifiedNumber>  $called
     * @param  list<NumberRegistration>  $registrations
     * @param  list<string>  $numbers  of the book, in E.164
     * @param  array<string, string>  $names  of people, by id
     */
    public function __construct(
        public array $called,
        public array $registrations,
        public array $numbers,
        public Vouching $vouching,
        public array $names,
    ) {
    }
}
