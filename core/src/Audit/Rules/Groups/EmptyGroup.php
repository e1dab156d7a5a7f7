<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Groups;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Reference;

/** A hunt group without members that something leads to. */
final readonly class EmptyGroup implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.empty',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            $uses = $group->members === [] && $group->enabled ? $inspection->usesOf($group) : [];
            if ($uses !== []) {
                $from = $inspection->names->several(array_values(
                    array_unique(array_map(static fn (array $use): string => (string) Reference::of($use[0]), $uses)),
                ));
                yield Found::of(['group' => $group->name, 'from' => $from], $group)->at(
                    'members',
                );
            }
        }
    }
}
