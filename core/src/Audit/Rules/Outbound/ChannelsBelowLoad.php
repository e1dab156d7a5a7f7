<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Member;
use Jaunty\Core\Book\Trunk;

/** More people answer in a queue than calls come in at once. */
final readonly class ChannelsBelowLoad implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.channels-below-load',
            Severity::Warning,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            $people = count(array_filter($group->members, static fn (Member $member): bool => $member->signedIn));
            $trunks = $group->queue === null ? [] : array_values(
                array_filter($inspection->book->all(Trunk::class), static fn (Trunk $trunk): bool => $trunk->enabled),
            );
            $channels = array_map(static fn (Trunk $trunk): ?int => $trunk->channels, $trunks);
            if ($trunks !== [] && ! in_array(null, $channels, true) && array_sum($channels) < $people) {
                yield Found::of(
                    ['group' => $group->name, 'people' => $people, 'channels' => array_sum($channels)],
                    $group,
                    ...$trunks,
                )->at('members');
            }
        }
    }
}
