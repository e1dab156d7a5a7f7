<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\NumberStatus;

/** Help services are shown a number that will be gone some day. */
final readonly class CallbackTemporary implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.callback-temporary',
            Severity::Warning,
            'The number shown to help services is lent, is being ported away, or ends on a day.',
            'When it goes, nobody thinks of what help services are shown, and whoever gets it next is called back.',
            'Show a number that stays.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->callbackNumbers() as $shown) {
            $until = $shown->number->until;
            $why = match (true) {
                $shown->number->status === NumberStatus::Temporary => 'is lent for a time',
                $shown->number->status === NumberStatus::PortingOut => 'is being ported away',
                $until !== null => "ends on {$inspection->day->said($until)}",
                default => null,
            };
            if ($why !== null) {
                yield Found::of(
                    "{$inspection->names->of($shown->number)} is shown to help services, and {$why}",
                    "It is shown of {$inspection->names->listed($shown->users)}.",
                    $shown->number,
                )
                    ->at($shown->number->status === NumberStatus::Active ? 'until' : 'status')
                    ->counting(count($shown->users));
            }
        }
    }
}
