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
                    [
                        'route' => $route->name,
                        'taking' => $inspection->names->several($taking),
                        'n' => count($taking),
                        'digits' => (string) RouteOrder::digitsOf($route)->shortest(),
                    ],
                    $route,
                    ...$taking,
                )->at('position');
            }
            $before[] = $route;
        }
    }
}
