<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
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
        $others = array_map(static fn (Route $route): int => $route->position, array_filter($routes, static fn (Route $route): bool => ! $route->emergency));
        foreach ($routes as $route) {
            if ($route->emergency && $others !== [] && $route->position > min($others)) {
                yield Finding::of($this->about(), "{$route->name} stands at place {$route->position}, behind other routes", 'Emergency calls are tried first by their own route.', $route)->at('position');
            }
        }
    }

    public function samples(): Samples
    {
        $routes = static fn (int $at): array => [['key' => 'help', 'name' => 'Emergency', 'digits' => '911', 'emergency' => true, 'position' => $at, 'trunks' => ['trunk:main']], ['key' => 'all', 'name' => 'All', 'digits' => '1xxxxxxxxxx', 'position' => 2, 'trunks' => ['trunk:main']]];

        return Samples::of(['trunks' => [['key' => 'main']], 'routes' => $routes(1)], ['routes' => $routes(3)]);
    }
}
