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
            'A route for emergency calls stands behind others.',
            'A wider route before it may take the call, and the first place is the one that wins a free channel.',
            'Move it to the front.',
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
                    "{$route->name} stands at place {$route->position}, behind other routes",
                    'Emergency calls are tried first by their own route.',
                    $route,
                )->at('position');
            }
        }
    }
}
