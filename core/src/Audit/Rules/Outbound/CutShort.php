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
            'RFC 3435 section 2.1.5',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Route::class) as $route) {
            $short = RouteOrder::digitsOf($route)->cutShort();
            if ($short !== null) {
                yield Found::of(
                    ['route' => $route->name, 'short' => $short],
                    $route,
                )->at('digits');
            }
        }
    }
}
