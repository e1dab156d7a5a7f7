<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Places\Elsewhere;
use Jaunty\Core\Words\Day;

/** An address of somebody's own that they never confirmed, or not for long. */
final readonly class OwnAddressUnconfirmed implements Rule
{
    public function about(): About
    {
        return new About(
            'users.own-address-unconfirmed',
            Severity::Note,
            thresholds: [Threshold::AddressKeptDays],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $most = $inspection->threshold(Threshold::AddressKeptDays);
        $around = $inspection->surroundings;
        foreach ($around === null ? [] : Elsewhere::of($inspection->book) as $user) {
            $said = $around?->ownAddressOf($user);
            if ($said === null && $user->emergency['address'] !== null) {
                yield Found::of(['user' => $user->label(), 'told' => $user->emergency['address']], $user)
                    ->at('emergency/address');
            } elseif (
                $said !== null
                && $said->address()->isToldOf($user)
                && $inspection->day->number() - LocalDate::parse($said->on) > $most
            ) {
                yield Found::of(['user' => $user->label(), 'on' => new Day($said->on), 'most' => $most], $user)
                    ->saying('old')->at('emergency/address');
            }
        }
    }
}
