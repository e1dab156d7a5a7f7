<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/** People at a site with floors, of whom nobody knows on which. */
final readonly class FloorMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.floor-missing',
            Severity::Note,
            'A site has several floors, and it is not known who sits on which.',
            'Help that comes to the door has to search the house.',
            'Give each of them their floor.',
            '47 CFR 9.16(b)(3) in the United States asks for a dispatchable location; elsewhere common practice',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Site::class) as $site) {
            $lost = array_values(array_filter(
                $inspection->book->all(User::class),
                static fn (User $user): bool => $user->site?->equals(Reference::of($site)) === true
                    && $user->status === UserStatus::Active
                    && $user->emergency['floor'] === null
                    && $user->emergency['room'] === null
                    && $user->emergency['address'] === null,
            ));
            if (count($site->floors) > 1 && $lost !== []) {
                yield Found::of(
                    "{$site->name}: it is not known on which floor "
                        . (count($lost) === 1 ? $lost[0]->label() . ' sits' : count($lost) . ' people sit'),
                    "It has "
                        . count($site->floors)
                        . ' floors: '
                        . implode(', ', array_column($site->floors, 'name'))
                        . '.',
                    $site,
                )->at('floors')->counting(count($lost));
            }
        }
    }
}
