<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Chains;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Kind;

/** Somebody whom a chain rings twice. */
final readonly class SamePersonTwice implements Rule
{
    public function about(): About
    {
        return new About(
            'chains.same-person-twice',
            Severity::Note,
            'A fallback chain rings the same telephone twice.',
            'Whoever did not answer the first time seldom answers the second; the caller waits for nothing.',
            'Take one of the two out.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Chain::class) as $chain) {
            $seen = [];
            foreach ($chain->places as $place) {
                $to = (string) $place['to'];
                if (isset($seen[$to]) && ($place['to']?->outside !== null || $place['to']?->object?->kind === Kind::User)) {
                    yield Finding::of($this->about(), "{$chain->name} rings {$inspection->name($place['to'])} twice", 'The second time takes as long as the first.', $chain)->at("places/{$place['item']}", $place['item'])->fixedBy(Fix::of('Take the second out', Fix::leavingOut($chain, 'places', $place['item'])));
                }
                $seen[$to] = true;
            }
        }
    }

    public function samples(): Samples
    {
        $chain = static fn (string ...$to): array => ['key' => 'late', 'name' => 'Late', 'places' => array_map(static fn (string $one, int|string $place): array => ['item' => "p{$place}", 'to' => $one], $to, array_keys($to))];
        $user = static fn (string $key): array => ['key' => $key, 'mailbox' => 'mailbox:desk', 'legs' => [['item' => 'desk']]];

        return Samples::of(['users' => [$user('a'), $user('b')], 'mailboxes' => [['key' => 'desk']], 'chains' => [$chain('user:a', 'user:b', 'mailbox:desk')]], ['chains' => [$chain('user:a', 'user:b', 'user:a', 'mailbox:desk')]]);
    }
}
