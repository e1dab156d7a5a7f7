<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Chains;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
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
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Chain::class) as $chain) {
            $seen = [];
            foreach ($chain->places as $place) {
                $to = (string) $place['to'];
                if (isset($seen[$to]) && (
                    $place['to']?->outside !== null || $place['to']?->object?->kind === Kind::User
                )) {
                    yield Found::of(
                        ['chain' => $chain->name, 'to' => $inspection->names->said($place['to'])],
                        $chain,
                    )->at("places/{$place['item']}", $place['item'])
                        ->fixedBy(Fix::of('Take the second out', Fix::leavingOut($chain, 'places', $place['item'])));
                }
                $seen[$to] = true;
            }
        }
    }
}
