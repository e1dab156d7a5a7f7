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
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Reference;

/** A hunt group that says nothing of calls nobody answers. */
final readonly class NoWayOut implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.no-way-out',
            Severity::Error,
            explains: ['flow.dead-end'],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            $isEndless = $group->queue !== null && $group->queue->longestWait === null;
            if (
                ! $group->enabled
                || $isEndless
                || $group->otherwise->of('noAnswer') !== null
                || $group->mailbox !== null
                || $inspection->usesOf($group) === []
            ) {
                continue;
            }
            $mailbox = $this->nearestMailbox($inspection, $group);
            yield Found::of(['group' => $group->name], $group)
                ->at('otherwise/noAnswer')
                ->fixedBy($mailbox === null ? null : Fix::set(
                    "Send them to {$mailbox->label()}",
                    $group,
                    'otherwise/noAnswer',
                    (string) Reference::of($mailbox),
                ));
        }
    }

    /** The group's namesake, else the only mailbox that belongs to nobody. */
    private function nearestMailbox(Inspection $inspection, Group $group): ?Mailbox
    {
        $shared = array_values(array_filter(
            $inspection->book->all(Mailbox::class),
            static fn (Mailbox $mailbox): bool => $mailbox->owner === null && $mailbox->enabled,
        ));
        foreach ($shared as $mailbox) {
            if ($mailbox->key === $group->key) {
                return $mailbox;
            }
        }

        return count($shared) === 1 ? $shared[0] : null;
    }
}
