<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Chains;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Chain;

/** Chains that lead into each other and come back. */
final readonly class ChainLoop implements Rule
{
    public function about(): About
    {
        return new About(
            'chains.loop',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Chain::class) as $chain) {
            $way = [$chain->key => $chain];
            $next = $this->leadsTo($inspection, $chain);
            while ($next !== null && ! isset($way[$next->key])) {
                $way[$next->key] = $next;
                $next = $this->leadsTo($inspection, $next);
            }
            // Told once, at the first by name of those that are in the round.
            if ($next === $chain && min(array_keys($way)) === $chain->key) {
                yield Found::of(
                    [
                        'n' => count($way),
                        'chain' => $chain->name,
                        'way' => $inspection->names->several(array_values($way)),
                    ],
                    $chain,
                    ...array_slice(array_values($way), 1),
                )->at('places');
            }
        }
    }

    private function leadsTo(Inspection $inspection, Chain $chain): ?Chain
    {
        foreach ($chain->places as $place) {
            $next = $inspection->find($place['to'], Chain::class);
            if ($next !== null) {
                return $next;
            }
        }

        return null;
    }
}
