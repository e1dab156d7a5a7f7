<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Push;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Words\Day;

/** Edits that somebody began and never entered. */
final readonly class DraftLeftLying implements Rule
{
    public function about(): About
    {
        return new About(
            'push.draft-left-lying',
            Severity::Note,
            thresholds: [Threshold::DraftDays],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $most = $inspection->threshold(Threshold::DraftDays);
        foreach ($inspection->surroundings->drafts ?? [] as $draft) {
            if ($inspection->day->number() - LocalDate::parse($draft->touchedOn) > $most) {
                yield Found::of(
                    [
                        'by' => $draft->by,
                        'changes' => $draft->changes,
                        'touchedOn' => new Day($draft->touchedOn),
                    ],
                    $inspection->book->tenant,
                )->at('name', $draft->by)->counting($draft->changes);
            }
        }
    }
}
