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
use Jaunty\Core\Book\Otherwise;
use Jaunty\Core\Book\Reference;

/** A group whose unanswered calls come to it again. */
final readonly class OverflowToItself implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.overflow-to-itself',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            foreach (Otherwise::CASES as $case) {
                if ($group->otherwise->of($case)?->object?->equals(Reference::of($group)) === true) {
                    yield Found::of(
                        ['group' => $group->name],
                        $group,
                    )->at("otherwise/{$case}", $case)
                        ->fixedBy($group->mailbox === null ? null : Fix::set(
                            'Send them to its mailbox',
                            $group,
                            "otherwise/{$case}",
                            (string) $group->mailbox,
                        ));
                }
            }
        }
    }
}
