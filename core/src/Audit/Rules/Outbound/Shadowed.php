<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Outbound\RouteOrder;

/** A route that no call ever takes. */
final readonly class Shadowed implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.shadowed',
            Severity::Warning,
            'Every number of a route is taken by routes before it, whoever calls.',
            'Whoever set it up believes that it works; its trunk, its prefix and its class are never used.',
            'Move it before them, or take it out.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $before = [];
        foreach (RouteOrder::of($inspection->book) as $route) {
            $taking = RouteOrder::takenBy($route, $before, $inspection->book);
            if ($taking !== []) {
                yield Found::of(
                    "{$route->name} is never used",
                    "{$inspection->names->listed($taking)} "
                        . (count($taking) === 1 ? 'takes' : 'take')
                        . ' all its numbers, such as '
                        . RouteOrder::digitsOf($route)->shortest()
                        . '.',
                    $route,
                    ...$taking,
                )->at('position');
            }
            $before[] = $route;
        }
    }
}
