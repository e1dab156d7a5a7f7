<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\Trunk;

/** Numbers and routes on a trunk that is switched off. */
final readonly class TrunkDisabled implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.trunk-disabled',
            Severity::Blocker,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Trunk::class) as $trunk) {
            $hang = array_values(array_filter(
                array_column($trunk->enabled ? [] : $inspection->usesOf($trunk), 0),
                fn (BookObject $object): bool => $object instanceof Number
                    || $object instanceof Route && $this->isAlone($inspection, $object),
            ));
            if ($hang !== []) {
                yield Found::of(
                    [
                        'trunk' => $trunk->name,
                        'hang' => $inspection->names->several($hang),
                        'n' => count($hang),
                    ],
                    $trunk,
                )->at('enabled')->counting(count($hang))->fixedBy(Fix::set('Switch it on', $trunk, 'enabled', true));
            }
        }
    }

    private function isAlone(Inspection $inspection, Route $route): bool
    {
        return array_filter(
            $route->trunks,
            static fn (Reference $trunk): bool => $inspection->find($trunk, Trunk::class)?->enabled === true,
        ) === [];
    }
}
