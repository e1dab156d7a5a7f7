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

/** Digits that are never dialled to their end. */
final readonly class CutShort implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.cut-short',
            Severity::Warning,
            'Some digits of a route are complete before their end, and go out at once.',
            'What is longer never carries a real call: the rest is not heard.',
            'Let the shorter wait: end it with T.',
            'RFC 3435 section 2.1.5',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Route::class) as $route) {
            $short = RouteOrder::digitsOf($route)->cutShort();
            if ($short !== null) {
                yield Found::of(
                    "{$route->name}: {$short} is never dialled to its end",
                    'Its beginning is complete already, and goes out before the rest is dialled.',
                    $route,
                )->at('digits');
            }
        }
    }
}
