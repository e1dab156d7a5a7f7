<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\Trunk;

/** A way round by the same carrier. */
final readonly class FailoverSharesCarrier implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.failover-shares-carrier',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Route::class) as $route) {
            $carriers = array_map(
                static fn (Reference $trunk): ?string => $inspection->find($trunk, Trunk::class)?->carrier,
                $route->trunks,
            );
            if (count($carriers) > 1 && ! in_array(null, $carriers, true) && count(array_unique($carriers)) === 1) {
                yield Found::of(
                    ['route' => $route->name, 'n' => count($carriers), 'carrier' => $carriers[0]],
                    $route,
                )->at('trunks');
            }
        }
    }
}
