<?php

declare(strict_types=1);

namespace App\Access;

use App\House\House;
use App\Models\Technician;

/** What only leads may do, and whoever needs a second factor for it. */
final readonly class Leads
{
    public function __construct(private House $house)
    {
    }

    /** @throws AccessDenied */
    public function requirePeople(Technician $technician): void
    {
        if (! $technician->lead) {
            throw AccessDenied::leadsOnly();
        }
        $this->requireFactor($technician, 'lead');
    }

    /** @throws AccessDenied */
    public function requireSettings(Technician $technician): void
    {
        if (! $technician->lead) {
            throw AccessDenied::settingsForLeads();
        }
        $this->requireFactor($technician, 'lead');
    }

    /**
     * @param  string  $ability  of Settings::ABILITIES
     *
     * @throws AccessDenied
     */
    public function requireFactor(Technician $technician, string $ability): void
    {
        if (in_array($ability, $this->missing($technician), true)) {
            throw AccessDenied::factorFor($ability);
        }
    }

    /** @return list<string> what a second factor is required for, to whoever has none */
    public function missing(Technician $technician): array
    {
        return $technician->usesSecondFactor() ? [] : $this->house->settings()->secondFactorFor;
    }
}
