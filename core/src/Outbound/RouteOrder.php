<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\RoutePin;
use Jaunty\Core\Book\Trunk;
use Jaunty\Core\Numbering\DigitAutomaton;
use Jaunty\Core\Numbering\DigitMap;
use Jaunty\Core\Numbering\TooIntricate;

/** Which routes are tried before which, and which of them leave nothing to those behind. */
final class RouteOrder
{
    /** @return list<Route> in the order they are tried, those for emergency calls apart */
    public static function of(Book $book): array
    {
        $routes = array_values(
            array_filter($book->all(Route::class), static fn (Route $route): bool => ! $route->emergency),
        );
        usort($routes, static fn (Route $one, Route $other): int => $one->position <=> $other->position);

        return $routes;
    }

    /** @return list<Route> those for emergency calls, in the order they are tried */
    public static function emergency(Book $book): array
    {
        $routes = array_values(
            array_filter($book->all(Route::class), static fn (Route $route): bool => $route->emergency),
        );
        usort($routes, static fn (Route $one, Route $other): int => $one->position <=> $other->position);

        return $routes;
    }

    /** @return list<Trunk> in the order they are tried */
    public static function trunksOf(Route $route, Book $book): array
    {
        $trunks = array_map(static fn (Reference $reference): ?BookObject => $book->find($reference), $route->trunks);

        return array_values(array_filter($trunks, static fn (?BookObject $trunk): bool => $trunk instanceof Trunk));
    }

    /** @var ?\WeakMap<Route, DigitAutomaton|TooIntricate> routes never change, and several rules ask this of each */
    private static ?\WeakMap $known = null;

    /** @var ?\WeakMap<Route, DigitMap> */
    private static ?\WeakMap $maps = null;

    /** Maps of no more characters are kept compiled from book to book: longer ones are somebody's own. */
    private const LONGEST_KEPT = 2_000;

    private const MOST_KEPT = 256;

    /** @var array<array-key, DigitAutomaton|TooIntricate> by map, the one asked for last at the end */
    private static array $compiled = [];

    /**
     * What a route lets through.
     *
     * @throws TooIntricate
     */
    public static function digitsOf(Route $route): DigitAutomaton
    {
        self::$known ??= new \WeakMap();
        $known = self::$known[$route] ??= self::compiled($route);

        return $known instanceof DigitAutomaton ? $known : throw $known;
    }

    /**
     * The same as it is written: of digits that somebody dials it tells what becomes of them, however intricate it is.
     */
    public static function mapOf(Route $route): DigitMap
    {
        self::$maps ??= new \WeakMap();

        return self::$maps[$route] ??= DigitMap::parse($route->digits, 'digits');
    }

    /** Customers of a region dial alike: a night's audits would read the same few maps thousands of times. */
    private static function compiled(Route $route): DigitAutomaton|TooIntricate
    {
        $known = self::$compiled[$route->digits] ?? null;
        if ($known === null) {
            try {
                $known = DigitAutomaton::of(self::mapOf($route));
            } catch (TooIntricate $unknown) {
                $known = $unknown;
            }
        }
        if (strlen($route->digits) <= self::LONGEST_KEPT) {
            // The one asked for last goes last, and the first of many is forgotten.
            unset(self::$compiled[$route->digits]);
            self::$compiled[$route->digits] = $known;
            if (count(self::$compiled) > self::MOST_KEPT) {
                unset(self::$compiled[array_key_first(self::$compiled)]);
            }
        }

        return $known;
    }

    /**
     * Whether any of some routes fits digits as a whole.
     *
     * @param  list<Route>  $routes
     */
    public static function fits(array $routes, string $digits): bool
    {
        return array_filter($routes, static fn (Route $route): bool => self::mapOf($route)->matches($digits)) !== [];
    }

    /**
     * @param  list<Route>  $before  tried before it
     * @return list<Route> those that together take all its digits from it, whoever calls; none where something is left
     *     to it
     */
    public static function takenBy(Route $route, array $before, Book $book): array
    {
        $stronger = array_values(
            array_filter($before, static fn (Route $earlier): bool => self::goesBefore($earlier, $route, $book)),
        );
        $own = self::digitsOf($route);
        if (
            $stronger === []
            || $own->shortest() === null
            || $own->beyond(...array_map(self::digitsOf(...), $stronger)) !== null
        ) {
            return [];
        }

        return array_values(
            array_filter(
                $stronger,
                static fn (Route $earlier): bool => $own->common(self::digitsOf($earlier)) !== null,
            ),
        );
    }

    /**
     * Whether an earlier route takes a number from a later one whoever calls, at any time: nothing bars from it who may
     * use the other.
     */
    public static function goesBefore(Route $earlier, Route $later, Book $book): bool
    {
        if ($earlier->emergency) {
            return self::carries($earlier, $book, true);
        }

        return ! $later->emergency
            && $earlier->pin === RoutePin::None
            && $later->class->covers($earlier->class)
            && ($earlier->schedule === null || (string) $earlier->schedule === (string) $later->schedule)
            && array_diff(array_map(strval(...), $earlier->blocked), array_map(strval(...), $later->blocked)) === []
            && self::carries($earlier, $book, true)
            && (! self::carries($later, $book, false) || self::carries($earlier, $book, false));
    }

    private static function carries(Route $route, Book $book, bool $inside): bool
    {
        foreach (self::trunksOf($route, $book) as $trunk) {
            if ($trunk->refuses($inside, $route->emergency) === null) {
                return true;
            }
        }

        return false;
    }
}
