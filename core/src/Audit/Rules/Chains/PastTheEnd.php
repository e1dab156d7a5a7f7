<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Chains;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Kind;

/** A chain whose last place does not keep the call. */
final readonly class PastTheEnd implements Rule
{
    public function about(): About
    {
        return new About(
            'chains.past-the-end',
            Severity::Error,
            About::MODEL,
            explains: ['flow.dead-end'],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Chain::class) as $chain) {
            $last = $inspection->callBook()->meant($chain->places[count($chain->places) - 1]['to'] ?? null);
            $rings = in_array($last?->object?->kind, [Kind::User, Kind::Group], true) || $last?->outside !== null;
            if ($chain->places === [] || $last === null || $rings) {
                yield Found::of(
                    [
                        'chain' => $chain->name,
                        'places' => $chain->places === [] ? 'none' : 'some',
                        'last' => $inspection->names->said($last ?? 'nobody'),
                    ],
                    $chain,
                )->at('places');
            }
        }
    }
}
