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

/** A fallback chain that goes on in another. */
final readonly class ChainInChain implements Rule
{
    public function about(): About
    {
        return new About(
            'chains.chain-in-chain',
            Severity::Note,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Chain::class) as $chain) {
            foreach ($chain->places as $place) {
                if ($place['to']?->object?->kind === Kind::Chain) {
                    yield Found::of(
                        ['chain' => $chain->name, 'to' => $inspection->names->said($place['to'])],
                        $chain,
                    )->at("places/{$place['item']}/to", $place['item']);
                }
            }
        }
    }
}
