<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\Stage;
use Jaunty\Core\Book\User;
use Jaunty\Core\Hours\LocalDate;

/** An emergency address that nobody has confirmed for long. */
final readonly class CheckedLongAgo implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.checked-long-ago',
            Severity::Note,
            'The emergency address of a site was last confirmed long ago, or never.',
            'People move desks, floors and houses, and nobody tells whoever keeps the address.',
            'Ask the customer, and enter the day.',
            thresholds: [Threshold::AddressKeptDays],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $most = $inspection->threshold(Threshold::AddressKeptDays);
        foreach ($inspection->book->all(Site::class) as $site) {
            $on = $site->emergency->checkedOn;
            $people = array_filter($inspection->usesOf($site), static fn (array $use): bool => $use[0] instanceof User);
            if ($on === null && $people !== [] && $inspection->book->tenant->state === Stage::InService) {
                yield Found::of(
                    "{$site->name}: the emergency address was never confirmed",
                    'The customer is in service.',
                    $site,
                )->at('emergency/checkedOn');
            }
            if ($on !== null && $inspection->day->number() - LocalDate::parse($on) > $most) {
                yield Found::of(
                    "{$site->name}: the emergency address was last confirmed on {$inspection->day->said($on)}",
                    "That is more than {$most} days ago.",
                    $site,
                )->at('emergency/checkedOn');
            }
        }
    }
}
