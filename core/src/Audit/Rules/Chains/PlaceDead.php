<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Chains;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Announcement;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\Kind;

/** Places of a chain behind one that takes the call for good. */
final readonly class PlaceDead implements Rule
{
    /** What takes a call for good, besides objects that do. */
    private const WORDS = ['release', 'busy', 'directory', 'again', 'back'];

    public function about(): About
    {
        return new About(
            'chains.place-dead',
            Severity::Warning,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Chain::class) as $chain) {
            foreach ($chain->places as $place => ['to' => $to]) {
                if (! $this->keeps($inspection, $to) || $place === count($chain->places) - 1) {
                    continue;
                }
                $dead = array_slice($chain->places, $place + 1);
                yield Found::of(
                    ['chain' => $chain->name, 'n' => count($dead), 'to' => $inspection->names->said($to)],
                    $chain,
                )
                    ->at('places')->counting(count($dead))->fixedBy(Fix::of(
                        count($dead) === 1 ? 'Take it out' : 'Take them out',
                        Fix::leavingOut($chain, 'places', ...array_column($dead, 'item')),
                    ));
                break;
            }
        }
    }

    private function keeps(Inspection $inspection, ?Destination $to): bool
    {
        $to = $inspection->callBook()->meant($to);

        return match ($to?->object?->kind) {
            Kind::Mailbox, Kind::Attendant, Kind::Menu, Kind::Chain, Kind::Line => true,
            Kind::Announcement => $inspection->find($to, Announcement::class)?->then !== null,
            default => in_array($to?->word, self::WORDS, true),
        };
    }
}
