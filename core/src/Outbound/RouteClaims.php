<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\ExtensionPlan;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Numbering\Dialling;
use Jaunty\Core\Numbering\DigitAutomaton;
use Jaunty\Core\Numbering\EmergencyNumbers;
use Jaunty\Core\Numbering\TooIntricate;

/** What can be said of one route's digits beside those tried before it; each with the shortest digits that show it. */
final readonly class RouteClaims
{
    /**
     * @param  bool  $isKnown  whether its digits and those of the routes before can be looked through; where not,
     *     nothing else is told
     * @param  ?string  $shortest  null where nothing fits
     * @param  int  $least  digits
     * @param  ?int  $most  null for no end
     * @param  list<Route>  $shadowedBy  earlier ones that together leave it nothing, whoever calls
     * @param  list<array{Route, string}>  $overlaps  earlier ones that take some of its digits, with the shortest of
     *     them
     * @param  ?string  $left  the shortest digits that no earlier one takes; null where there are none
     * @param  ?string  $cutShort  the shortest digits that are never dialled to their end, as their beginning is
     *     complete
     * @param  list<string>  $extensions  that its digits begin with, so that whoever dials them has to wait, or is put
     *     through inside
     * @param  list<string>  $help  numbers that call for help and that its digits begin with: whoever dials on has
     *     called for help
     * @param  list<string>  $shortCodes  other short numbers that its digits begin with: whoever dials one waits
     */
    private function __construct(
        public Route $route,
        public bool $isKnown,
        public ?string $shortest,
        public int $least,
        public ?int $most,
        public array $shadowedBy,
        public array $overlaps,
        public ?string $left,
        public ?string $cutShort,
        public array $extensions,
        public array $help,
        public array $shortCodes,
    ) {
    }

    /** @return list<self> in the order the routes are tried, those for emergency calls first */
    public static function of(Book $book): array
    {
        $extensions = array_map(strval(...), array_keys(ExtensionPlan::of($book)->holders));
        $help = $book->tenant->region === null ? [] : EmergencyNumbers::of($book->tenant->region);
        $codes = (new Numbering($book->tenant->region))->shortCodes();
        $claims = [];
        $before = [];
        foreach ([...RouteOrder::emergency($book), ...RouteOrder::of($book)] as $route) {
            try {
                $claims[] = self::about($route, $before, $extensions, $help, $codes, $book);
            } catch (TooIntricate) {
                $claims[] = new self($route, false, null, 0, null, [], [], null, null, [], [], []);
            }
            $before[] = $route;
        }

        return $claims;
    }

    /**
     * @param  list<Route>  $before
     * @param  list<string>  $extensions
     * @param  list<string>  $help
     * @param  list<string>  $codes
     */
    private static function about(
        Route $route,
        array $before,
        array $extensions,
        array $help,
        array $codes,
        Book $book,
    ): self {
        $own = RouteOrder::digitsOf($route);
        $shadowed = RouteOrder::takenBy($route, $before, $book);
        $overlaps = [];
        foreach ($before as $earlier) {
            $common = $own->common(RouteOrder::digitsOf($earlier));
            if ($common !== null) {
                $overlaps[] = [$earlier, $common];
            }
        }
        [$least, $most] = $own->lengths();

        return new self(
            $route,
            true,
            $own->shortest(),
            $least,
            $most,
            $shadowed,
            $overlaps,
            $own->beyond(...array_map(RouteOrder::digitsOf(...), $before)),
            $own->cutShort(),
            array_values(array_filter(
                $extensions,
                static fn (string $extension): bool => $own->dial($extension) !== Dialling::Mismatch,
            )),
            $route->emergency ? [] : self::begun($own, $help),
            $route->emergency ? [] : self::begun($own, $codes),
        );
    }

    /**
     * @param  list<string>  $numbers
     * @return list<string> those that more digits of the route can follow
     */
    private static function begun(DigitAutomaton $own, array $numbers): array
    {
        return array_values(
            array_filter($numbers, static fn (string $number): bool => $own->dial($number) === Dialling::Partial),
        );
    }
}
