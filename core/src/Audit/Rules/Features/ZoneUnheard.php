<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Features;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\PageZone;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/** A page zone that nobody can ever hear. */
final readonly class ZoneUnheard implements Rule
{
    public function about(): About
    {
        return new About('features.zone-unheard', Severity::Warning);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(PageZone::class) as $zone) {
            $heard = array_filter(
                $zone->members,
                static function (array $member) use ($inspection): bool {
                    $user = $inspection->find($member['who'], User::class);

                    return $user !== null && $user->status === UserStatus::Active && $user->speakers() !== [];
                },
            );
            if ($heard === []) {
                yield Found::of(['zone' => $zone->name, 'n' => count($zone->members)], $zone)->at('members');
            }
        }
    }
}
