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
            'A trunk is switched off, and numbers or routes hang on it alone.',
            'Calls to those numbers are not delivered, and calls by those routes do not leave.',
            'Switch it on, or move them to another.',
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
                    "{$trunk->name} is switched off, and {$inspection->names->listed($hang)} "
                        . (count($hang) === 1 ? 'hangs' : 'hang')
                        . ' on it',
                    'Nothing comes in or goes out there.',
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
