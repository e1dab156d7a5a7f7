<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Numbering\DigitAutomaton;
use Jaunty\Core\Numbering\DigitMap;
use Jaunty\Core\Outbound\RouteOrder;

/** A misdialled prefix goes out as it is. */
final readonly class TooManyZeros implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.too-many-zeros',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $misdialled = DigitAutomaton::of(DigitMap::parse('000x.', 'digits'));
        foreach ($inspection->book->all(Route::class) as $route) {
            $through = RouteOrder::digitsOf($route)->common($misdialled);
            if (! $route->emergency && $through !== null) {
                yield Found::of(['route' => $route->name, 'through' => $through], $route)->at(
                    'digits',
                );
            }
        }
    }
}
