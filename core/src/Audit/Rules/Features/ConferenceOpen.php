<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Features;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Conference;
use Jaunty\Core\Book\PinStrength;
use Jaunty\Core\Book\Reference;

/** A conference room that callers from outside enter without a PIN. */
final readonly class ConferenceOpen implements Rule
{
    public function about(): About
    {
        return new About('features.conference-open', Severity::Warning);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Conference::class) as $room) {
            $uses = $room->pin === PinStrength::None && $room->enabled ? $inspection->usesOf($room) : [];
            $leads = array_filter($uses, static fn (array $use): bool => $use[0]->kind()->value !== 'device');
            if ($leads !== []) {
                yield Found::of([
                    'room' => $room->name,
                    'from' => $inspection->names->several(array_values(array_unique(array_map(
                        static fn (array $use): string => (string) Reference::of($use[0]),
                        $leads,
                    )))),
                ], $room)->at('pin');
            }
        }
    }
}
