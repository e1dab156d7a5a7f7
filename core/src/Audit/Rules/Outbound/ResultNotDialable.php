<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Outbound\DialEnd;
use Jaunty\Core\Outbound\DialPlan;
use Jaunty\Core\Outbound\RouteOrder;
use Jaunty\Core\Outbound\SampleNumbers;
use Jaunty\Core\Outbound\Sender;

/** A route takes away more digits than the numbers have that it lets through. */
final readonly class ResultNotDialable implements Rule
{
    /** Kinds of samples that are somebody's number. */
    private const NUMBERS = ['local', 'national', 'mobile', 'tollFree', 'international'];

    public function about(): About
    {
        return new About(
            'outbound.result-not-dialable',
            Severity::Error,
            'A route strips more digits than the shortest number has that it fits, or sends what is no number.',
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
                yield Found::of(
                    "{$route->name} strips {$route->strip} digits of {$shortest}",
                    $route->prepend === '' ? 'Nothing is left to dial.' : "Only {$route->prepend} is dialled.",
                    $route,
                )->at('strip')->fixedBy(Fix::set('Strip none', $route, 'strip', 0));
            }
        }
        yield from $this->sentWrong($inspection);
    }

    /**
     * What people of the country dial, and no network understands as it is sent.
     *
     * @return iterable<Found>
     */
    private function sentWrong(Inspection $inspection): iterable
    {
        $routes = $inspection->book->all(Route::class);
        if ($routes === [] || $inspection->book->tenant->region === null) {
            return;
        }
        $plan = new DialPlan($inspection->book);
        $told = [];
        foreach (SampleNumbers::of($inspection->book) as $sample) {
            if (in_array($sample->kind, self::NUMBERS, true)) {
                $dialled = $plan->route(
                    Sender::ofClass(CallingClass::International),
                    $sample->digits,
                    $inspection->now,
                );
                if (
                    $dialled->end === DialEnd::Outside
                    && $dialled->number === null
                    && $dialled->route !== null
                    && ! isset($told[$dialled->route->key])
                ) {
                    $told[$dialled->route->key] = true;
                    yield Found::of(
                        "{$dialled->route->name} sends {$dialled->sent}, which nobody has",
                        "It is what is left of {$sample->digits} ({$sample->said}).",
                        $dialled->route,
                    )->at('strip', 'sent');
                }
            }
        }
    }
}
