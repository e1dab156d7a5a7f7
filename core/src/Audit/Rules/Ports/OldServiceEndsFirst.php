<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Ports;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Words\Day;

/** The number lent until the port ends before the port. */
final readonly class OldServiceEndsFirst implements Rule
{
    public function about(): About
    {
        return new About(
            'ports.old-service-ends-first',
            Severity::Blocker,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Number::class) as $lent) {
            $ported = $inspection->find($lent->replaces, Number::class);
            if (
                $lent->status === NumberStatus::Temporary
                && $lent->until !== null
                && $ported !== null
                && $ported->status === NumberStatus::PortingIn
                && $ported->from !== null
                && $lent->until < $ported->from
            ) {
                yield Found::of(
                    [
                        'lent' => $inspection->names->said($lent),
                        'ported' => $inspection->names->said($ported),
                        'until' => new Day($lent->until),
                        'from' => new Day($ported->from),
                    ],
                    $lent,
                    $ported,
                )->at('until')
                    ->fixedBy(
                        Fix::set(
                            "Keep it until {$inspection->day->said($ported->from)}",
                            $lent,
                            'until',
                            $ported->from,
                        ),
                    );
            }
        }
    }
}
