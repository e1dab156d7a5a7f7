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
            'Two routes of other classes or trunks fit the same numbers, and neither is wholly inside the other.',
            'Which of them is taken is a matter of their order, which nobody sees in either.',
            'Let their digits part the numbers between them.',
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
                        "{$earlier->name} and {$route->name} both fit {$common}",
                        "{$earlier->name} comes first, and is taken by whoever may use it.",
                        $route,
                        $earlier,
                    )->at('digits');
                }
            }
            $before[] = $route;
        }
    }
}
