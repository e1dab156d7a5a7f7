<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Groups;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\GroupOrder;
use Jaunty\Core\Book\Member;

/** More people are to ring at once than a switch rings. */
final readonly class TooManyAtOnce implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.too-many-at-once',
            Severity::Warning,
            'A group rings all its members at once, and they are more than switches ring at once.',
            'The switch rings some of them, chosen by chance, and the others never know.',
            'Say how many ring at once, or let them ring one after another.',
            thresholds: [Threshold::MostRungAtOnce],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $most = $inspection->threshold(Threshold::MostRungAtOnce);
        foreach ($inspection->book->all(Group::class) as $group) {
            $people = count(array_filter($group->members, static fn (Member $member): bool => $member->signedIn));
            if ($group->order === GroupOrder::Simultaneous && $group->mostAtOnce === null && $people > $most) {
                yield Finding::of($this->about(), "{$group->name} rings {$people} people at once", "Switches ring about {$most}.", $group)->at('mostAtOnce')->fixedBy(Fix::set("Ring {$most} at once", $group, 'mostAtOnce', $most));
            }
        }
    }

    public function samples(): Samples
    {
        $people = range(1, 16);
        $base = ['mailboxes' => [['key' => 'desk', 'notify' => ['desk@inlet.example']]], 'users' => array_map(static fn (int $i): array => ['key' => "u{$i}", 'extension' => (string) (200 + $i), 'name' => ['first' => "Ana{$i}", 'last' => 'Reed'], 'mailbox' => 'mailbox:desk', 'legs' => [['item' => 'desk']]], $people), 'numbers' => [['key' => Samples::NUMBER, 'destination' => 'group:desk']]];
        $group = static fn (int $count): array => ['key' => 'desk', 'name' => 'Desk', 'mailbox' => 'mailbox:desk', 'noAnswerSeconds' => 25, 'members' => array_map(static fn (int $i): array => ['item' => "u{$i}", 'who' => "user:u{$i}"], range(1, $count))];

        return Samples::of($base + ['groups' => [$group(15)]], ['groups' => [$group(16)]]);
    }
}
