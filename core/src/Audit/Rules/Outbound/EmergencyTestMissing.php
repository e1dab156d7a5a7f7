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
use Jaunty\Core\Outbound\RouteOrder;

/** The test call for emergency services goes nowhere. */
final readonly class EmergencyTestMissing implements Rule
{
    private const TEST = '933';

    public function about(): About
    {
        return new About(
            'outbound.emergency-test-missing',
            Severity::Note,
            'common practice of carriers in the United States and Canada',
            countries: ['US', 'CA'],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $emergency = array_values(
            array_filter($inspection->book->all(Route::class), static fn (Route $route): bool => $route->emergency),
        );
        if ($emergency !== [] && ! RouteOrder::fits($inspection->book->all(Route::class), self::TEST)) {
            $route = $emergency[0];
            yield Found::of(['test' => self::TEST, 'route' => $route->name, 'digits' => $route->digits], $route)
                ->at('digits')
                ->fixedBy(Fix::set(
                    'Let it fit ' . self::TEST . ', too',
                    $route,
                    'digits',
                    trim($route->digits, '()') . '|' . self::TEST,
                ));
        }
    }
}
