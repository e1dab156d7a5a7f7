<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Features;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\PickUpGroup;

/** A pick-up group in which nobody has anybody's call to take up. */
final readonly class PickUpGroupOfOne implements Rule
{
    public function about(): About
    {
        return new About('features.pick-up-group-of-one', Severity::Warning);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(PickUpGroup::class) as $group) {
            if (count($group->members) < 2) {
                yield Found::of(['group' => $group->name, 'n' => count($group->members)], $group)->at('members');
            }
        }
    }
}
