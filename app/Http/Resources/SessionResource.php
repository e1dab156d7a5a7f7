<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\House\Settings;
use App\Models\Technician;
use App\Time\Clock;
use App\Time\FixedClock;

/** Who is signed in, and what time it is: the browser takes its clock from here. */
final readonly class SessionResource
{
    /** @return array<string, mixed> */
    public static function of(
        ?Technician $technician,
        Clock $clock,
        bool $mayTakeOn,
        bool $mayBill,
        Settings $house,
    ): array {
        return [
            'technician' => $technician === null ? null : [
                'name' => $technician->name,
                'initials' => $technician->initials,
                'signIn' => $technician->sign_in,
                'lead' => $technician->lead,
                'secondFactor' => $technician->usesSecondFactor(),
                'mayTakeOn' => $mayTakeOn, 'mayBill' => $mayBill,
                'needsSecondFactor' => $technician->usesSecondFactor() ? [] : $house->secondFactorFor,
                'manner' => [
                    'clock' => $technician->clock, 'days' => $technician->days, 'numbers' => $technician->numbers,
                ],
            ],
            'reseller' => $house->reseller,
            'paper' => ['colour' => $house->colour, 'letterhead' => $technician === null ? '' : $house->letterhead],
            'demo' => $technician === null ? config('roster.demo_sign_in') : null,
            'now' => $clock->now()->format(\DateTimeInterface::ATOM),
            'clockStandsStill' => $clock instanceof FixedClock,
        ];
    }
}
