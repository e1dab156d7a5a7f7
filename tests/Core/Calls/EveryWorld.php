<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Member;
use Jaunty\Core\Calls\Law\OfferWorld;
use Jaunty\Core\Calls\Law\RingLeg;

/** One of all the worlds in which a group's members do as they like, anew in each pass. */
final class EveryWorld implements OfferWorld
{
    private const USER = ['away', 'rings', 'answers', 'answersLate'];

    private const OUTSIDE = ['busy', 'rings', 'answers', 'answersLate', 'mailbox', 'off'];

    /** @var array<string, int> passes in which somebody has been looked at, by item */
    private array $passes = [];

    /** @param array<string, list<string>> $does by item, then pass */
    private function __construct(private readonly array $does)
    {
    }

    /** @return iterable<self> */
    public static function of(Group $group): iterable
    {
        $worlds = [[]];
        foreach ($group->members as $member) {
            for ($pass = 0; $pass < $group->rotations; $pass++) {
                $next = [];
                foreach ($worlds as $world) {
                    foreach (self::ways($member) as $way) {
                        $next[] = [...$world, $member->item => [...$world[$member->item] ?? [], $way]];
                    }
                }
                $worlds = $next;
            }
        }
        foreach ($worlds as $does) {
            yield new self($does);
        }
    }

    /** Whether a call is offered at all: somebody is there when it comes. */
    public function hasSomebody(Group $group): bool
    {
        foreach ($group->members as $member) {
            if ($this->does[$member->item][0] !== 'away') {
                return true;
            }
        }

        return false;
    }

    public function availability(Group $group, Member $member, int $second): string
    {
        $this->passes[$member->item] = ($this->passes[$member->item] ?? -1) + 1;

        return $this->now($member) === 'away' ? 'signedOut' : 'available';
    }

    public function offerLegs(Group $group, Member $member, bool $inside, int $seconds, int $second): array
    {
        // Of desk and mobile one does what there is to do; the other is out of the way.
        $mobile = str_starts_with($this->now($member), 'mobile ');
        $does = $mobile ? substr($this->now($member), strlen('mobile ')) : $this->now($member);
        $leg = static fn (string $object, int $mailboxAfter): RingLeg => match ($does) {
            'answersLate' => new RingLeg($object, 'answers', $seconds, $mailboxAfter, answersAfter: max(
                0,
                $seconds - 1,
            )),
            default => new RingLeg($object, $does, $seconds, $mailboxAfter),
        };
        if ($member->who->outside !== null) {
            return [$leg((string) $member->who, 20)];
        }
        if (! self::hasMobile($member)) {
            return [$leg((string) $member->who, 0)];
        }

        return $mobile
            ? [new RingLeg((string) $member->who, 'unreachable', $seconds), $leg('outside:+15065550199', 8)]
            : [$leg((string) $member->who, 0), new RingLeg('outside:+15065550199', 'busy', $seconds)];
    }

    /** @return list<string> */
    private static function ways(Member $member): array
    {
        return match (true) {
            $member->who->outside !== null => self::OUTSIDE,
            self::hasMobile($member) => [
                'away', 'rings', 'answers', 'answersLate', 'mobile busy', 'mobile answers', 'mobile answersLate',
                'mobile mailbox', 'mobile off',
            ],
            default => self::USER,
        };
    }

    private static function hasMobile(Member $member): bool
    {
        return (string) $member->who === 'user:x';
    }

    private function now(Member $member): string
    {
        return $this->does[$member->item][$this->passes[$member->item] ?? 0];
    }
}
