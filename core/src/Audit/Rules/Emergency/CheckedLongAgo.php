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
use Jaunty\Core\Words\Day;

/** An emergency address that nobody has confirmed for long. */
final readonly class CheckedLongAgo implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.checked-long-ago',
            Severity::Note,
            thresholds: [Threshold::AddressKeptDays],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $most = $inspection->threshold(Threshold::AddressKeptDays);
        $around = $inspection->surroundings;
        foreach ($around === null ? [] : $inspection->book->all(Site::class) as $site) {
            $check = $around?->addressOf($site);
            $people = array_filter($inspection->usesOf($site), static fn (array $use): bool => $use[0] instanceof User);
            if ($check === null && $people !== [] && $inspection->book->tenant->state === Stage::InService) {
                yield Found::of(['site' => $site->name], $site)->at('address');
            } elseif ($check !== null && $check->verdictOn($site) === null) {
                yield Found::of(['site' => $site->name, 'on' => new Day($check->on)], $site)->saying('changed')
                    ->at('address');
            } elseif ($check !== null && $inspection->day->number() - LocalDate::parse($check->on) > $most) {
                yield Found::of(
                    ['site' => $site->name, 'on' => new Day($check->on), 'most' => $most],
                    $site,
                )->saying('old')->at('address');
            }
        }
    }
}
