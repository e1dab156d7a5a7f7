<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Groups;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\GroupOrder;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\User;

/** A mobile among members rung together answers with its own mailbox and takes every call from the others. */
final readonly class OutsideMailboxSteals implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.outside-mailbox-steals',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            if ($group->order !== GroupOrder::Simultaneous || count($group->members) < 2) {
                continue;
            }
            foreach ($group->members as $member) {
                $number = $member->who->outside;
                if ($number !== null && ! $member->confirm) {
                    yield $this->finding(
                        $group,
                        $inspection->names->of($member->who),
                        $group,
                        $member->item,
                        "members/{$member->item}/confirm",
                    );
                }
                $user = $inspection->find($member->who, User::class);
                foreach ($user->legs ?? [] as $leg) {
                    if ($user !== null && $leg->legKind === LegKind::Outside && $leg->forGroups && ! $leg->confirm) {
                        yield $this->finding(
                            $group,
                            "the mobile of {$user->label()}",
                            $user,
                            $leg->item,
                            "legs/{$leg->item}/confirm",
                        );
                    }
                }
            }
        }
    }

    private function finding(Group $group, string $who, BookObject $holder, string $item, string $path): Found
    {
        $finding = Found::of(
            ['group' => $group->name, 'who' => $who, 'n' => count($group->members) - 1],
            $holder,
            ...($holder === $group ? [] : [$group]),
        );

        return $finding->at($path, $item)->fixedBy(Fix::set('Ask for a key before it connects', $holder, $path, true));
    }
}
