<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Outbound\RouteOrder;

/** A route takes away more digits than the numbers have that it lets through. */
final readonly class ResultNotDialable implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.result-not-dialable',
            Severity::Error,
            'A route strips more digits than the shortest number has that it fits.',
            'Nothing is left to dial, or the wrong part of it.',
            'Strip fewer, or let the digits fit longer numbers only.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Route::class) as $route) {
            $shortest = RouteOrder::digitsOf($route)->shortest();
            if ($shortest !== null && $route->strip >= strlen($shortest) && $route->strip > 0) {
                yield Finding::of($this->about(), "{$route->name} strips {$route->strip} digits of {$shortest}", $route->prepend === '' ? 'Nothing is left to dial.' : "Only {$route->prepend} is dialled.", $route)->at('strip')->fixedBy(Fix::set('Strip none', $route, 'strip', 0));
            }
        }
    }

    public function samples(): Samples
    {
        $route = static fn (int $strip): array => ['key' => 'national', 'name' => 'National', 'digits' => '1xxxxxxxxxx|411', 'class' => 'national', 'strip' => $strip, 'trunks' => ['trunk:main']];

        return Samples::of(['trunks' => [['key' => 'main']], 'routes' => [$route(1)]], ['routes' => [$route(3)]]);
    }
}
