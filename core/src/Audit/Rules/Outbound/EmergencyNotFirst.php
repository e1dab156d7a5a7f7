<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Route;

/** A route for emergency calls behind another. */
final readonly class EmergencyNotFirst implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.emergency-not-first',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $routes = $inspection->book->all(Route::class);
        $others = array_map(
            static fn (Route $route): int => $route->position,
            array_filter($routes, static fn (Route $route): bool => ! $route->emergency),
        );
        foreach ($routes as $route) {
            if ($route->emergency && $others !== [] && $route->position > min($others)) {
                yield Found::of(
                    ['route' => $route->name, 'position' => $route->position],
                    $route,
                )->at('position');
            }
        }
    }
}
