<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Groups;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Group;

/** A queue that gives its people no time between calls. */
final readonly class WrapUpZero implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.wrap-up-zero',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            if ($group->queue !== null && $group->wrapUp === 0) {
                yield Found::of(
                    ['group' => $group->name],
                    $group,
                )->at('wrapUp')->fixedBy(Fix::set('Give them 10 s', $group, 'wrapUp', 10));
            }
        }
    }
}
