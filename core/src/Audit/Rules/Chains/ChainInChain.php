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
            'A place of a fallback chain leads into another chain.',
            'The list of places somebody reads ends there, and goes on where they do not look; callers hear more '
                . 'ringing than it says.',
            'Take the places of the other over, or leave the chain out.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Chain::class) as $chain) {
            foreach ($chain->places as $place) {
                if ($place['to']?->object?->kind === Kind::Chain) {
                    yield Found::of(
                        "{$chain->name} goes on in {$inspection->names->of($place['to'])}",
                        'Its places are rung after those before it.',
                        $chain,
                    )->at("places/{$place['item']}/to", $place['item']);
                }
            }
        }
    }
}
