<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\RoutePin;
use Jaunty\Core\Numbering\DigitMap;
use Jaunty\Core\Numbering\E164;

/** Everybody may call numbers that are charged by the minute for their content. */
final readonly class PremiumOpen implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.premium-open',
            Severity::Warning,
            'common practice against toll fraud; the numbers: libphonenumber, premium rate',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $region = $inspection->book->tenant->region;
        $example = $region === null ? null : E164::premiumOf($region);
        if ($example === null) {
            return;
        }
        foreach ($inspection->book->all(Route::class) as $route) {
            $isOpen = ! $route->emergency
                && $route->class !== CallingClass::International
                && $route->pin === RoutePin::None;
            if ($isOpen && DigitMap::parse($route->digits, 'digits')->matches(ltrim((string) $example, '+'))) {
                yield Found::of(
                    ['route' => $route->name, 'example' => $example->display()],
                    $route,
                )->at('digits');
            }
        }
    }
}
