<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\Trunk;

/** A route with one way out, where there are others. */
final readonly class NoFailover implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.no-failover',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $trunks = array_values(
            array_filter($inspection->book->all(Trunk::class), static fn (Trunk $trunk): bool => $trunk->enabled),
        );
        foreach (count($trunks) < 2 ? [] : $inspection->book->all(Route::class) as $route) {
            if (count($route->trunks) === 1) {
                $others = array_values(array_filter(
                    $trunks,
                    static fn (Trunk $trunk): bool => (string) Reference::of($trunk) !== (string) $route->trunks[0],
                ));
                yield Found::of(
                    [
                        'route' => $route->name,
                        'first' => $inspection->names->said($route->trunks[0]),
                        'others' => $inspection->names->several($others),
                    ],
                    $route,
                )->at('trunks')
                    ->fixedBy(Fix::set("Try {$inspection->names->of($others[0])} after it", $route, 'trunks', [
                        (string) $route->trunks[0],
                        (string) Reference::of($others[0]),
                    ]));
            }
        }
    }
}
