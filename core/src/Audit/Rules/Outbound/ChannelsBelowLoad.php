<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
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
            'A trunk has fewer channels than people who answer in a queue behind it.',
            'They can never all be on a call, and callers hear busy while somebody is free.',
            'Order channels, or let fewer people sign in.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            $people = count(array_filter($group->members, static fn (Member $member): bool => $member->signedIn));
            $trunks = $group->queue === null ? [] : array_values(array_filter($inspection->book->all(Trunk::class), static fn (Trunk $trunk): bool => $trunk->enabled));
            $channels = array_map(static fn (Trunk $trunk): ?int => $trunk->channels, $trunks);
            if ($trunks !== [] && ! in_array(null, $channels, true) && array_sum($channels) < $people) {
                yield Finding::of($this->about(), "{$group->name} has {$people} people and " . array_sum($channels) . ' channels', 'Callers hear busy while somebody is free.', $group, ...$trunks)->at('members');
            }
        }
    }

    public function samples(): Samples
    {
        $base = ['mailboxes' => [['key' => 'a', 'notify' => ['a@inlet.example']]], 'users' => array_map(static fn (string $key): array => ['key' => $key, 'extension' => '20' . ord($key) % 10, 'name' => ['first' => ucfirst($key), 'last' => 'Reed'], 'mailbox' => 'mailbox:a', 'legs' => [['item' => 'desk']]], ['a', 'b', 'c']), 'numbers' => [['key' => Samples::NUMBER, 'destination' => 'group:desk']], 'groups' => [['key' => 'desk', 'name' => 'Desk', 'mailbox' => 'mailbox:a', 'queue' => ['longestWait' => 120], 'members' => array_map(static fn (string $key): array => ['item' => $key, 'who' => "user:{$key}"], ['a', 'b', 'c'])]]];
        $trunk = static fn (int $channels): array => ['key' => 'main', 'name' => 'Main trunk', 'channels' => $channels];

        return Samples::of($base + ['trunks' => [$trunk(6)]], ['trunks' => [$trunk(2)]]);
    }
}
