<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\RoutePin;
use Jaunty\Core\Book\Trunk;
use Jaunty\Core\Numbering\DigitAutomaton;
use Jaunty\Core\Numbering\DigitMap;

/** Which routes are tried before which, and which of them leave nothing to those behind. */
final class RouteOrder
{
    /** @return list<Route> in the order they are tried, those for emergency calls apart */
    public static function of(Book $book): array
    {
        $routes = array_values(array_filter($book->all(Route::class), static fn (Route $route): bool => ! $route->emergency));
        usort($routes, static fn (Route $one, Route $other): int => $one->position <=> $other->position);

        return $routes;
    }

    /** @var ?\WeakMap<Route, DigitAutomaton> routes never change, and several rules ask this of each */
    private static ?\WeakMap $known = null;

    /** What a route lets through. */
    public static function digitsOf(Route $route): DigitAutomaton
    {
        self::$known ??= new \WeakMap();

        return self::$known[$route] ??= self::union([$route]);
    }

    /** @param list<Route> $routes */
    public static function union(array $routes): DigitAutomaton
    {
        return DigitAutomaton::of(...array_map(static fn (Route $route): DigitMap => DigitMap::parse($route->digits, 'digits'), $routes));
    }

    /** Whether an earlier route takes a number from a later one whoever calls, at any time: nothing bars from it who may use the other. */
    public static function goesBefore(Route $earlier, Route $later, Book $book): bool
    {
        return $earlier->pin === RoutePin::None
            && $later->class->covers($earlier->class)
            && ($earlier->schedule === null || (string) $earlier->schedule === (string) $later->schedule)
            && array_diff(array_map(strval(...), $earlier->blocked), array_map(strval(...), $later->blocked)) === []
            && self::carries($earlier, $book, true)
            && (! self::carries($later, $book, false) || self::carries($earlier, $book, false));
    }

    private static function carries(Route $route, Book $book, bool $inside): bool
    {
        foreach ($route->trunks as $reference) {
            $trunk = $book->find(Reference::parse((string) $reference));
            if ($trunk instanceof Trunk && $trunk->enabled && ($inside || $trunk->outsideCallersOut)) {
                return true;
            }
        }

        return false;
    }
}
