<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\User;
use Jaunty\Core\Outbound\HelpCall;

/** Telephones from which nobody can call for help. */
final readonly class EmergencyMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.emergency-missing',
            Severity::Blocker,
            'Somebody has a telephone from which no call for help goes out.',
            'Whoever dials the emergency number is told that it does not exist.',
            'Add a route for the emergency numbers of the country, before all others.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $routes = $inspection->book->all(Route::class);
        $stranded = array_values(
            array_filter($inspection->helpCalls(), static fn (HelpCall $call): bool => ! $call->isLet),
        );
        if (array_filter($routes, static fn (Route $route): bool => $route->emergency) === []) {
            if ($routes !== [] || $stranded !== []) {
                yield Found::of(
                    'No route is for emergency calls',
                    (
                        $routes === []
                        ? 'There is no route at all.'
                        : 'There are ' . count($routes) . ' for other calls.'
                    ),
                    $inspection->book->tenant,
                )->at('region');
            }

            return;
        }
        $bySite = [];
        foreach ($stranded as $call) {
            $bySite[$call->site->key ?? ''][] = $call;
        }
        foreach ($bySite as $calls) {
            $site = $calls[0]->site;
            $users = array_map(static fn (HelpCall $call): User => $call->user, $calls);
            $where = $site === null ? 'Some users' : $site->name;
            yield Found::of(
                "{$where}: no call for help goes out",
                (
                    $calls[0]->digits === ''
                    ? 'No emergency route has digits that somebody could dial'
                    : "Nobody is reached by {$calls[0]->digits}, nor by any other number that calls for help there"
                )
                    . ", from the telephones of {$inspection->names->listed($users)}.",
                $site ?? $inspection->book->tenant,
            )->at($site === null ? 'region' : 'address/country')->counting(count($users));
        }
    }
}
