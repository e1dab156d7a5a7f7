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
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Route::class) as $route) {
            $shortest = RouteOrder::digitsOf($route)->shortest();
            if ($shortest !== null && $route->strip >= strlen($shortest) && $route->strip > 0) {
                yield Found::of(
                    [
                        'route' => $route->name,
                        'strip' => $route->strip,
                        'shortest' => $shortest,
                        'left' => $route->prepend === '' ? 'nothing' : 'some',
                        'prepend' => $route->prepend,
                    ],
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
                        [
                            'route' => $dialled->route->name,
                            'sent' => $dialled->sent,
                            'digits' => $sample->digits,
                            'said' => $sample->said,
                        ],
                        $dialled->route,
                    )->saying('sent')->at('strip', 'sent');
                }
            }
        }
    }
}
