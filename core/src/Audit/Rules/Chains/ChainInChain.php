<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Chains;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
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
            'The list of places somebody reads ends there, and goes on where they do not look; callers hear more ringing than it says.',
            'Take the places of the other over, or leave the chain out.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Chain::class) as $chain) {
            foreach ($chain->places as $place) {
                if ($place['to']?->object?->kind === Kind::Chain) {
                    yield Finding::of($this->about(), "{$chain->name} goes on in {$inspection->name($place['to'])}", 'Its places are rung after those before it.', $chain)->at("places/{$place['item']}/to", $place['item']);
                }
            }
        }
    }

    public function samples(): Samples
    {
        $chain = static fn (string $key, string $to): array => ['key' => $key, 'name' => ucfirst($key), 'places' => [['item' => 'a', 'to' => 'user:a'], ['item' => 'then', 'to' => $to]]];

        return Samples::of(
            ['users' => [['key' => 'a']], 'mailboxes' => [['key' => 'desk', 'notify' => ['desk@inlet.example']]], 'chains' => [$chain('day', 'mailbox:desk'), $chain('night', 'mailbox:desk')]],
            ['chains' => [$chain('day', 'chain:night'), $chain('night', 'mailbox:desk')]],
        );
    }
}
