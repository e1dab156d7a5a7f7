<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Numbering\DigitAutomaton;
use Jaunty\Core\Numbering\DigitMap;
use Jaunty\Core\Numbering\EmergencyNumbers;
use Jaunty\Core\Outbound\RouteOrder;

/** Help is reached only by those who dial the prefix for an outside line first. */
final readonly class EmergencyNeedsPrefix implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.emergency-needs-prefix',
            Severity::Blocker,
            '47 CFR 9.16(b)(1), United States; elsewhere common practice',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $prefix = $inspection->book->tenant->outsidePrefix;
        $country = $inspection->book->tenant->region;
        $emergency = array_values(
            array_filter($inspection->book->all(Route::class), static fn (Route $route): bool => $route->emergency),
        );
        if ($prefix === null || $prefix === '' || $country === null || $emergency === []) {
            return;
        }
        foreach ($emergency as $route) {
            foreach (explode('|', trim($route->digits, '()')) as $alternative) {
                $shortest = (string) DigitAutomaton::of(DigitMap::parse($alternative, 'digits'))->shortest();
                $number = str_starts_with($shortest, $prefix) ? substr($shortest, strlen($prefix)) : '';
                if (
                    $number !== '' && EmergencyNumbers::is($number, $country) && ! RouteOrder::fits($emergency, $number)
                ) {
                    yield Found::of(
                        ['number' => $number, 'shortest' => $shortest],
                        $route,
                    )->at('digits')
                        ->fixedBy(Fix::set("Let it fit {$number} as it is, too", $route, 'digits', "{$number}|" . trim(
                            $route->digits,
                            '()',
                        )));
                }
            }
        }
    }
}
