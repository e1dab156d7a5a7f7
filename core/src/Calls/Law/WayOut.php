<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\RoutePin;
use Jaunty\Core\Book\Trunk;
use Jaunty\Core\Hours\HoursState;
use Jaunty\Core\Numbering\DigitMap;

/**
 * Whether a call can leave for an outside number: the first route that fits, and on it a trunk with a channel (design
 * 03 section 9).
 */
final class WayOut
{
    /** @var ?list<Route> in order of position */
    private ?array $routes = null;

    /** @var array<string, DigitMap> */
    private array $maps = [];

    public function __construct(private readonly CallBook $book)
    {
    }

    /**
     * @param  string  $number  in E.164
     * @param  string  $sender  whose class counts, and who may be blocked
     * @param  bool  $inside  whether the caller is inside the company
     * @param  array<string, string>  $world
     */
    public function exists(string $number, string $sender, bool $inside, array $world): bool
    {
        $this->book->reads(CallBook::ROUTES);
        $class = $this->book->classOf($sender);
        foreach ($this->routes() as $route) {
            if ($this->fits($route, ltrim($number, '+'), $sender, $class) && $this->hasTrunk($route, $inside, $world)) {
                return true;
            }
        }

        return false;
    }

    /**
     * The class that would let a call from inside leave, where the sender's alone does not: the least of the routes
     * that fit.
     *
     * @param  string  $number  in E.164
     */
    public function barredByClass(string $number, string $sender): ?CallingClass
    {
        if ($this->exists($number, $sender, true, [])) {
            return null;
        }
        $least = null;
        foreach ($this->routes() as $route) {
            $wouldDo = $this->fits($route, ltrim($number, '+'), $sender, CallingClass::International)
                && $this->hasTrunk($route, true, []);
            if ($wouldDo && ($least === null || $least->covers($route->class))) {
                $least = $route->class;
            }
        }

        return $least;
    }

    private function fits(Route $route, string $digits, string $sender, CallingClass $class): bool
    {
        $this->maps[$route->key] ??= DigitMap::parse($route->digits, "routes.{$route->key}.digits");

        return ! $route->emergency
            && $route->pin === RoutePin::None
            && $class->covers($route->class)
            && ! in_array($sender, array_map(strval(...), $route->blocked), true)
            && $this->maps[$route->key]->matches($digits)
            && HoursState::of(
                $this->book->hours($route->schedule, $this->book->tenant()->zone),
            ) === HoursState::Open;
    }

    /** @param array<string, string> $world */
    private function hasTrunk(Route $route, bool $inside, array $world): bool
    {
        foreach ($route->trunks as $reference) {
            $trunk = $this->book->get((string) $reference, Trunk::class);
            if ($trunk->refuses($inside) === null && ! isset($world[(string) Reference::of($trunk)])) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Route> */
    private function routes(): array
    {
        if ($this->routes === null) {
            $routes = $this->book->book()->all(Route::class);
            usort($routes, static fn (Route $a, Route $b): int => $a->position <=> $b->position);
            $this->routes = $routes;
        }

        return $this->routes;
    }
}
