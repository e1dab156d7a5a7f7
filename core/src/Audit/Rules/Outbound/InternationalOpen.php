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
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Outbound\HomeDialling;
use Jaunty\Core\Outbound\RouteOrder;
use Jaunty\Core\Words\Message;

/** A route that is not for calls abroad lets them through. */
final readonly class InternationalOpen implements Rule
{
    /**
     * Numbers that nobody has, of countries with other codes: from the ranges kept for drama (Ofcom) and for examples
     * (E.164 of 49 and 61).
     */
    private const ABROAD = ['442079460000', '493023125000', '61255501234', '12025550123'];

    public function about(): About
    {
        return new About(
            'outbound.international-open',
            Severity::Error,
            'common practice against toll fraud',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $home = $inspection->book->tenant->region;
        if ($home === null) {
            return;
        }
        $prefix = $inspection->book->tenant->outsidePrefix ?? '';
        $dialled = HomeDialling::abroad($home, $prefix);
        foreach ($inspection->book->all(Route::class) as $route) {
            if ($route->emergency || $route->class === CallingClass::International) {
                continue;
            }
            $own = RouteOrder::digitsOf($route);
            $as = $dialled === null ? null : $own->common($dialled);
            $through = array_values(array_filter(
                self::ABROAD,
                static fn (string $digits): bool => $own->fits($digits)
                    && E164::parse("+{$digits}")->isAbroadFrom($home),
            ));
            if ($as !== null || $through !== []) {
                yield Found::of(
                    [
                        'route' => $route->name,
                        'class' => new Message("class/{$route->class->value}"),
                        'by' => $as === null ? 'number' : 'digits',
                        'digits' => $as ?? '',
                        'number' => $as === null ? $inspection->names->said("outside:+{$through[0]}") : '',
                    ],
                    $route,
                )->at('digits')
                    ->fixedBy(
                        Fix::set(
                            'Give it the international class',
                            $route,
                            'class',
                            CallingClass::International->value,
                        ),
                    );
            }
        }
    }
}
