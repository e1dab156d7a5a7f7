<?php

declare(strict_types=1);

namespace App\Telephones;

use App\Access\Scope;
use App\Models\Ability;
use App\Models\TenantRow;
use App\Switching\Switches;
use Jaunty\Core\Telephones\Model;

/** Telephones of a customer, beside what the book says of them. */
final readonly class TelephoneDesk
{
    public function __construct(private Scope $scope, private Switches $switches)
    {
    }

    public function view(string $technicianId, string $customer): TelephoneView
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): TelephoneView => new TelephoneView(
                Model::shipped(),
                $this->switches->of($tenant)->capabilities()->codes,
            ),
        );
    }
}
