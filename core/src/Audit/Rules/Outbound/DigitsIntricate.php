<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Numbering\TooIntricate;
use Jaunty\Core\Outbound\RouteOrder;

/** Digits of a route that nobody can look through whole. */
final readonly class DigitsIntricate implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.digits-intricate',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Route::class) as $route) {
            try {
                RouteOrder::digitsOf($route);
            } catch (TooIntricate) {
                yield Found::of(
                    ['route' => $route->name],
                    $route,
                )->at('digits');
            }
        }
    }
}
