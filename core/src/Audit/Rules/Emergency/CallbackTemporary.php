<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Words\Day;

/** Help services are shown a number that will be gone some day. */
final readonly class CallbackTemporary implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.callback-temporary',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->callbackNumbers() as $shown) {
            $until = $shown->number->until;
            $why = match (true) {
                $shown->number->status === NumberStatus::Temporary => 'lent',
                $shown->number->status === NumberStatus::PortingOut => 'leaving',
                $until !== null => 'ends',
                default => null,
            };
            if ($why !== null) {
                yield Found::of(
                    [
                        'number' => $inspection->names->said($shown->number),
                        'why' => $why,
                        'until' => $until === null ? '' : new Day($until),
                        'users' => $inspection->names->several($shown->users),
                    ],
                    $shown->number,
                )
                    ->at($shown->number->status === NumberStatus::Active ? 'until' : 'status')
                    ->counting(count($shown->users));
            }
        }
    }
}
