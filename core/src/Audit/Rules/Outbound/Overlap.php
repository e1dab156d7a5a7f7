<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Outbound\RouteOrder;

/** Two routes fit the same numbers, and which is taken is only a matter of their order. */
final readonly class Overlap implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.overlap',
            Severity::Note,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $before = [];
        foreach (RouteOrder::of($inspection->book) as $route) {
            $own = RouteOrder::digitsOf($route);
            foreach ($before as $earlier) {
                $other = RouteOrder::digitsOf($earlier);
                $common = $own->common($other);
                $isApart = $earlier->class !== $route->class
                    || array_map(strval(...), $earlier->trunks) !== array_map(strval(...), $route->trunks);
                if ($common !== null && $isApart && $own->beyond($other) !== null && $other->beyond($own) !== null) {
                    yield Found::of(
                        ['earlier' => $earlier->name, 'route' => $route->name, 'common' => $common],
                        $route,
                        $earlier,
                    )->at('digits');
                }
            }
            $before[] = $route;
        }
    }
}
