<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\User;
use Jaunty\Core\Places\Elsewhere;
use Jaunty\Core\Places\OwnAddress;
use Jaunty\Core\Words\Day;

/** Somebody whose telephone goes with them, and help services would be told where they are not. */
final readonly class OwnAddressUnknown implements Rule
{
    public function about(): About
    {
        return new About(
            'users.own-address-unknown',
            Severity::Warning,
            '47 CFR 9.16(b)(3)(ii) in the United States (non-fixed devices); elsewhere common practice',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach (Elsewhere::of($inspection->book) as $user) {
            $said = $inspection->surroundings?->ownAddressOf($user);
            $address = $said?->address();
            if ($address === null && $user->emergency['address'] === null) {
                yield Found::of(['user' => $user->label()], $user)->at('emergency/address');
            } elseif ($said !== null && $address !== null && ! $address->isToldOf($user)) {
                yield Found::of([
                    'user' => $user->label(), 'on' => new Day($said->on), 'line' => $address->line(),
                    'unit' => $address->unit === '' ? 'none' : $address->unit,
                    'told' => $user->emergency['address'] ?? 'none',
                ], $user)->saying('differs')->at('emergency/address')->fixedBy(self::telling($user, $address));
            }
        }
    }

    private static function telling(User $user, OwnAddress $address): Fix
    {
        $to = [
            'address' => $address->line(), 'floor' => null, 'room' => $address->unit === '' ? null : $address->unit,
        ];
        $changes = [];
        foreach ($to as $part => $value) {
            if ($user->emergency[$part] !== $value) {
                $changes[] = Fix::setting($user, "emergency/{$part}", $value);
            }
        }

        return Fix::of('Tell help services what they said', ...$changes);
    }
}
