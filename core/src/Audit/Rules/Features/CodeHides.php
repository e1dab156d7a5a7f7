<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Features;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\ExtensionPlan;
use Jaunty\Core\Book\Features;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Numbering\Dialling;
use Jaunty\Core\Numbering\TooIntricate;
use Jaunty\Core\Outbound\RouteOrder;

/** Something that nobody can dial since a code and an extension or a route begin alike. */
final readonly class CodeHides implements Rule
{
    public function about(): About
    {
        return new About('features.code-hides', Severity::Error);
    }

    public function check(Inspection $inspection): iterable
    {
        $tenant = $inspection->book->tenant;
        $plan = ExtensionPlan::of($inspection->book);
        foreach ($tenant->features->codes as $name => $code) {
            if ($code === null) {
                continue;
            }
            $with = ['code' => $code, 'feature' => Features::CODES[$name]];
            // The extension is reached, and the code never does anything.
            $same = $plan->reached($code);
            if ($same !== null) {
                yield Found::of(['what' => $same->label()] + $with, $tenant, $same)->saying('extension')
                    ->at("features/codes/{$name}", $name);
            }
            foreach ($plan->holders as $extension => $holders) {
                $behind = $code . $extension;
                $hides = in_array($name, ['pickUp', 'speedDial'], true) ? null : $plan->reached($behind);
                if ($hides !== null) {
                    yield Found::of(
                        ['what' => $hides->label(), 'dialled' => $behind, 'whose' => $holders[0]->label()] + $with,
                        $tenant,
                        $hides,
                    )->saying('argument')->at("features/codes/{$name}", $name);
                    break;
                }
            }
            foreach ($inspection->book->all(Route::class) as $route) {
                if (! $route->emergency && self::begins($route, $code)) {
                    yield Found::of(['what' => $route->name] + $with, $tenant, $route)->saying('route')
                        ->at("features/codes/{$name}", $name);
                }
            }
        }
    }

    /** Whether something the route takes begins with the code. */
    private static function begins(Route $route, string $code): bool
    {
        try {
            return RouteOrder::mapOf($route)->dial($code) !== Dialling::Mismatch;
        } catch (TooIntricate) {
            return false;
        }
    }
}
