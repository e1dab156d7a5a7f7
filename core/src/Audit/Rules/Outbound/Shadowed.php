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
use Jaunty\Core\Outbound\RouteOrder;

/** A route that no call ever takes. */
final readonly class Shadowed implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.shadowed',
            Severity::Warning,
            'Every number of a route is taken by routes before it, whoever calls.',
            'Whoever set it up believes that it works; its trunk, its prefix and its class are never used.',
            'Move it before them, or take it out.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $before = [];
        foreach (RouteOrder::of($inspection->book) as $route) {
            $taking = RouteOrder::takenBy($route, $before, $inspection->book);
            if ($taking !== []) {
                yield Finding::of($this->about(), "{$route->name} is never used", "{$inspection->names($taking)} " . (count($taking) === 1 ? 'takes' : 'take') . ' all its numbers, such as ' . RouteOrder::digitsOf($route)->shortest() . '.', $route, ...$taking)->at('position');
            }
            $before[] = $route;
        }
    }

    public function samples(): Samples
    {
        $route = static fn (string $key, int $position, string $digits): array => ['key' => $key, 'name' => ucfirst($key), 'position' => $position, 'digits' => $digits, 'class' => 'national', 'trunks' => ['trunk:main']];

        return Samples::of(['trunks' => [['key' => 'main']], 'routes' => [$route('local', 1, '1902xxxxxxx'), $route('national', 2, '1xxxxxxxxxx')]], ['routes' => [$route('national', 1, '1xxxxxxxxxx'), $route('local', 2, '1902xxxxxxx')]]);
    }
}
