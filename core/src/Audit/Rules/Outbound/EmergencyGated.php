<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\RoutePin;
use Jaunty\Core\Words\Listing;

/** Something in the way of emergency calls. */
final readonly class EmergencyGated implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.emergency-gated',
            Severity::Blocker,
            '47 CFR 9.16(b)(1) in the United States: direct, with nothing dialled before; elsewhere common practice',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Route::class) as $route) {
            $gates = array_keys(array_filter([
                'pin' => $route->pin !== RoutePin::None,
                'hours' => $route->schedule !== null,
                'blocked' => $route->blocked !== [],
            ]));
            if ($route->emergency && $gates !== []) {
                yield Found::of(
                    ['route' => $route->name, 'gates' => Listing::ofMessages('gate', $gates)],
                    $route,
                )->at('pin')
                    ->fixedBy(Fix::of(
                        'Take it out of the way',
                        Fix::setting($route, 'pin', RoutePin::None->value),
                        Fix::setting($route, 'schedule', null),
                        Fix::setting($route, 'blocked', []),
                    ));
            }
        }
    }
}
