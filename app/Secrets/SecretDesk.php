<?php

declare(strict_types=1);

namespace App\Secrets;

use App\Access\Scope;
use App\Models\Ability;
use App\Models\TenantRow;

/** PINs of one customer, as a technician sees and makes them. */
final readonly class SecretDesk
{
    public function __construct(private Scope $scope, private SecretKeeper $secrets)
    {
    }

    /** @return list<array<string, mixed>> what is known of each, as the contract has it */
    public function known(string $technicianId, string $customer): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): array => $this->secrets->known($tenant, $technicianId),
        );
    }

    /**
     * @param  ?string  $value  null: one is made
     * @return list<array<string, mixed>> all of them then
     */
    public function make(string $technicianId, string $customer, string $object, ?string $value): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technicianId, $object, $value): array {
                $this->secrets->make($tenant, $technicianId, $object, $value);

                return $this->secrets->known($tenant, $technicianId);
            },
        );
    }

    public function reveal(string $technicianId, string $customer, string $object): string
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            fn (TenantRow $tenant): string => $this->secrets->reveal($tenant, $technicianId, $object),
        );
    }
}
