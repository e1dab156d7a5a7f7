<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Access;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;

/** An invitation that nobody accepted. */
final readonly class InvitationOpen implements Rule
{
    private const SECONDS_A_DAY = 86400;

    public function about(): About
    {
        return new About(
            'access.invitation-open',
            Severity::Note,
            thresholds: [Threshold::InvitationDays],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $longest = $inspection->threshold(Threshold::InvitationDays) * self::SECONDS_A_DAY;
        foreach ($inspection->surroundings->invitations ?? [] as $invitation) {
            $hasRunOut = $invitation->openUntil <= $inspection->now;
            if ($hasRunOut || $inspection->now - $invitation->sentAt >= $longest) {
                yield Found::of(
                    [
                        'to' => $invitation->to,
                        'state' => $hasRunOut ? 'over' : 'open',
                        'days' => intdiv($inspection->now - $invitation->sentAt, self::SECONDS_A_DAY),
                    ],
                    $inspection->book->tenant,
                )->at('name', $invitation->to);
            }
        }
    }
}
