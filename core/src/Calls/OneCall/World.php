<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\Member;
use Jaunty\Core\Book\SignInBy;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\OfferWorld;
use Jaunty\Core\Calls\Law\RingLeg;
use Jaunty\Core\Calls\Law\WayOut;

/**
 * What nobody configures, as a script says it: who answers, who is busy, what is out. Default: everyone rings, nobody
 * answers.
 */
final readonly class World implements OfferWorld
{
    /** @param array<string, string> $says by object */
    public function __construct(private CallBook $book, private WayOut $wayOut, private array $says)
    {
    }

    public function says(string $who): ?string
    {
        return $this->says[$who] ?? null;
    }

    public function isDisturbable(User $user): bool
    {
        return $this->says("user:{$user->key}") !== 'doNotDisturb';
    }

    public function isSiteOut(User $user): bool
    {
        return $user->site !== null && $this->says((string) $user->site) === 'out';
    }

    /** Whether any line of the user is in use. */
    public function isOnACall(User $user): bool
    {
        return in_array($this->says("user:{$user->key}"), ['busy', 'onACall'], true);
    }

    /** Two lines with call waiting, else one. */
    public function hasFreeLine(User $user): bool
    {
        return match ($this->says("user:{$user->key}")) {
            'busy' => false,
            'onACall' => $user->callWaiting,
            default => true,
        };
    }

    public function isReachable(User $user, Leg $leg): bool
    {
        if ($leg->legKind === LegKind::Outside) {
            return true;
        }

        return $user->status === UserStatus::Active
            && $this->says("user:{$user->key}") !== 'unreachable'
            && $this->says("leg:{$user->key}/{$leg->item}") !== 'unreachable'
            && ! ($this->isSiteOut($user) && $leg->legKind !== LegKind::MobileApp);
    }

    /** Whether a telephone of theirs speaks what somebody pages. */
    public function speaks(User $user): bool
    {
        $reachable = array_filter($user->speakers(), fn (Leg $leg): bool => $this->isReachable($user, $leg));

        return $reachable !== [] && $this->isDisturbable($user) && ! $this->isOnACall($user);
    }

    /** @param ?int $seconds of an offer; unset: the leg's own */
    public function device(User $user, Leg $leg, ?int $seconds = null): RingLeg
    {
        $does = match (true) {
            ! $this->isReachable($user, $leg) => 'unreachable',
            ! $this->hasFreeLine($user) => 'busy',
            $this->says("user:{$user->key}") === 'answers' => 'answers',
            default => 'rings',
        };

        return new RingLeg("user:{$user->key}", $does, $seconds ?? $leg->seconds);
    }

    public function outside(
        string $number,
        string $sender,
        bool $inside,
        int $seconds,
        int $mailboxAfter,
        bool $confirm,
        bool $needsRoute = true,
    ): RingLeg {
        $does = $needsRoute && ! $this->wayOut->exists($number, $sender, $inside, $this->says)
            ? 'refused'
            : ($this->says("outside:{$number}") ?? 'rings');

        return new RingLeg("outside:{$number}", $does, $seconds, $mailboxAfter, $confirm);
    }

    /** Any leg of a user's, device or outside. */
    public function leg(User $user, Leg $leg, bool $inside, ?int $seconds = null): RingLeg
    {
        return $leg->legKind === LegKind::Outside && $leg->number !== null
            ? $this->outside(
                $leg->number,
                "user:{$user->key}",
                $inside,
                $seconds ?? $leg->seconds,
                $leg->mailboxAfter,
                $leg->confirm,
            )
            : (
                $leg->legKind === LegKind::Outside
                ? new RingLeg("user:{$user->key}", 'unreachable', 0)
                : $this->device($user, $leg, $seconds)
            );
    }

    /** A script's world is the same in every second. */
    public function availability(Group $group, Member $member, int $second = 0): string
    {
        if ($member->who->outside !== null) {
            return $member->signedIn ? 'available' : 'signedOut';
        }
        $user = $this->book->get((string) $member->who, User::class);
        $signedIn = $group->signInBy === SignInBy::Administrator
            ? $member->signedIn
            : $this->says("user:{$user->key}") !== 'signedOut';
        if (! $signedIn || ! $this->isDisturbable($user)) {
            return 'signedOut';
        }
        $legs = $this->groupLegs($user);
        $reachable = array_filter($legs, fn (Leg $leg): bool => $this->isReachable($user, $leg));
        if ($user->status !== UserStatus::Active || $reachable === []) {
            return 'unreachable';
        }
        $skips = $group->skipBusy || $group->queue !== null;

        return ($skips ? $this->isOnACall($user) : ! $this->hasFreeLine($user)) ? 'busy' : 'available';
    }

    public function offerLegs(Group $group, Member $member, bool $inside, int $seconds, int $second = 0): array
    {
        if ($member->who->outside !== null) {
            return [$this->outside(
                $member->who->outside,
                "group:{$group->key}",
                $inside,
                $seconds,
                CallBook::OUTSIDE_MAILBOX_AFTER,
                $member->confirm,
            )];
        }
        $user = $this->book->get((string) $member->who, User::class);

        return array_map(fn (Leg $leg): RingLeg => $this->leg($user, $leg, $inside, $seconds), $this->groupLegs($user));
    }

    /** @return list<Leg> the legs that ring for groups */
    public function groupLegs(User $user): array
    {
        return array_values(array_filter($this->book->legs($user), static fn (Leg $leg): bool => $leg->forGroups));
    }

    /** @return list<RingLeg> the devices of a user's present state; none where an offer would not ring them */
    public function devices(string $reference, int $seconds): array
    {
        $user = $this->book->get($reference, User::class);
        if ($user->status !== UserStatus::Active || ! $this->isDisturbable($user)) {
            return [];
        }
        $devices = array_values(
            array_filter($this->book->legs($user), static fn (Leg $leg): bool => $leg->legKind !== LegKind::Outside),
        );

        return array_map(fn (Leg $leg): RingLeg => $this->device($user, $leg, $seconds), $devices);
    }
}
