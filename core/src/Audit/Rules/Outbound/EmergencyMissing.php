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

/** Routes, and none for emergency calls. */
final readonly class EmergencyMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.emergency-missing',
            Severity::Blocker,
            'There are routes for calls that go out, and none for emergency calls.',
            'Whoever dials the emergency number is told that it does not exist.',
            'Add a route for the emergency numbers of the country, before all others.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $routes = $inspection->book->all(Route::class);
        if ($routes !== [] && array_filter($routes, static fn (Route $route): bool => $route->emergency) === []) {
            yield Finding::of($this->about(), 'No route is for emergency calls', 'There are ' . count($routes) . ' for other calls.', $inspection->book->tenant)->at('region');
        }
    }

    public function samples(): Samples
    {
        $route = static fn (bool $emergency): array => ['key' => 'out', 'name' => 'Out', 'digits' => '911', 'emergency' => $emergency, 'trunks' => ['trunk:main']];

        return Samples::of(['trunks' => [['key' => 'main']], 'routes' => [$route(true)]], ['routes' => [$route(false)]]);
    }
}
