<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Features;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\WayOut;
use Jaunty\Core\Numbering\E164;

/** A speed dial that no route takes out. */
final readonly class SpeedDialRefused implements Rule
{
    public function about(): About
    {
        return new About('features.speed-dial-refused', Severity::Error);
    }

    public function check(Inspection $inspection): iterable
    {
        $tenant = $inspection->book->tenant;
        $ways = new WayOut(CallBook::open($inspection->book));
        foreach ($tenant->features->speedDials as $dial) {
            if (! $ways->exists($dial['number'], (string) Reference::of($tenant), true, [])) {
                yield Found::of(
                    ['dial' => $dial['name'], 'number' => E164::exactly($dial['number'])->display()],
                    $tenant,
                )->at("features/speedDials/{$dial['item']}/number", $dial['item']);
            }
        }
    }
}
