<?php

declare(strict_types=1);

namespace Jaunty\Core\Rulers;

use Jaunty\Core\Book\Announcement;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\GroupOrder;
use Jaunty\Core\Book\Handling;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\Member;
use Jaunty\Core\Book\RingStyle;
use Jaunty\Core\Book\SignInBy;
use Jaunty\Core\Book\TierTwo;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\OfferPlan;

/** Who rings from which second to which, in the order of the list, where everybody is there and nobody answers. */
final readonly class TimingRuler
{
    /** More passes than this only repeat the picture. */
    private const MOST_PASSES = 3;

    /**
     * @param  list<Bar>  $bars
     * @param  ?int  $limit  seconds after which the call goes on; null for none
     * @param  int  $onePass  seconds until everybody has rung once
     * @param  int  $ring  seconds of one ring
     */
    private function __construct(
        public array $bars,
        public ?int $limit,
        public int $onePass,
        public int $passes,
        public int $ring,
        public string $words,
    ) {
    }

    public static function ofGroup(Group $group, CallBook $book): self
    {
        $ring = $book->tenant()->secondsPerRing;
        $limit = $group->queue === null ? $group->noAnswerSeconds : $group->queue->longestWait;
        $each = OfferPlan::own($group, $ring)->each();
        $first = array_values(array_filter($group->members, static fn (Member $member): bool => $member->tier === 1));
        $second = array_values(array_filter($group->members, static fn (Member $member): bool => $member->tier === 2));
        $turns = $group->tierTwo === TierTwo::AlsoTried || $first === [] ? [$first, $second] : [$first];
        // What is not one's turn is not waited for.
        $offered = array_column($group->withTurns(), null, 'item');
        $isOffered = static fn (Member $member): bool => isset($offered[$member->item]);
        $bars = [];
        $at = 0;
        $onePass = 0;
        $passes = $group->queue === null ? $group->rotations : self::MOST_PASSES;
        for ($pass = 1; $pass <= min($passes, self::MOST_PASSES); $pass++) {
            foreach ($turns as $tier) {
                foreach ($tier as $member) {
                    $bars[] = self::bar(
                        $member->item,
                        (string) $member->who,
                        $pass,
                        $at,
                        $each,
                        $limit,
                        $ring,
                        $member->who->outside !== null && ! $member->confirm ? CallBook::OUTSIDE_MAILBOX_AFTER : null,
                        ! $isOffered($member) || self::isPassedOver($group, $member, $book),
                    );
                    $at += $group->order === GroupOrder::Simultaneous || ! $isOffered($member) ? 0 : $each;
                }
                $at += $group->order === GroupOrder::Simultaneous && $tier !== [] ? $each : 0;
            }
            $onePass = $pass === 1 ? $at : $onePass;
            if ($at === 0 || ($limit !== null && $at >= $limit)) {
                break;
            }
        }

        return new self(
            $bars,
            $limit,
            $onePass,
            $group->rotations,
            $ring,
            self::ofGroupInWords(
                $group,
                count(array_filter(array_merge(...$turns), $isOffered)),
                $each,
                $ring,
                $onePass,
                $bars,
            ),
        );
    }

    public static function ofChain(Chain $chain, CallBook $book): self
    {
        $ring = $book->tenant()->secondsPerRing;
        $bars = [];
        $at = 0;
        $isOver = false;
        foreach ($chain->places as $place) {
            $to = $book->meant($place['to']);
            $rings = $to !== null
                && ($to->outside !== null || in_array($to->object?->kind, [Kind::User, Kind::Group], true));
            $announcement = $to?->object?->kind === Kind::Announcement
                ? $book->get((string) $to, Announcement::class)
                : null;
            $seconds = match (true) {
                $rings => $book->placeSeconds($place),
                $announcement !== null => $book->seconds($announcement->prompt),
                default => 0,
            };
            $bars[] = new Bar(
                $place['item'],
                (string) $to,
                1,
                $at,
                $at + $seconds,
                $isOver ? Bar::NEVER : Bar::WHOLE,
                $rings && ! $isOver ? intdiv($seconds, $ring) : 0,
                $to?->outside !== null && $seconds > CallBook::OUTSIDE_MAILBOX_AFTER
                    ? $at + CallBook::OUTSIDE_MAILBOX_AFTER
                    : null,
                $to === null,
            );
            $at += $seconds;
            // What keeps the call ends the chain: places after it are dead.
            $isOver = $isOver
                || ($to !== null && ! $rings && ! ($announcement !== null && $announcement->then === null));
        }

        return new self($bars, null, $at, 1, $ring, self::ofChainInWords($bars, $at, $isOver));
    }

    /** A user's phones, as one state of their hours has them. */
    public static function ofUser(User $user, Handling $handling, CallBook $book): self
    {
        $ring = $book->tenant()->secondsPerRing;
        $byItem = array_column($user->legs, null, 'item');
        $legs = $handling->legs === null
            ? $user->legs
            : array_values(
                array_filter(array_map(static fn (string $item): ?Leg => $byItem[$item] ?? null, $handling->legs)),
            );
        $bars = [];
        $at = 0;
        $longest = 0;
        foreach ($legs as $leg) {
            $isOutside = $leg->legKind === LegKind::Outside;
            $takes = $isOutside && ! $leg->confirm && $leg->mailboxAfter < $leg->seconds
                ? $at + $leg->mailboxAfter
                : null;
            $bars[] = new Bar(
                $leg->item,
                $isOutside && $leg->number !== null ? "outside:{$leg->number}" : "leg:{$user->key}/{$leg->item}",
                1,
                $at,
                $at + $leg->seconds,
                Bar::WHOLE,
                intdiv($leg->seconds, $ring),
                $takes,
                $isOutside && $leg->number === null,
            );
            $longest = max($longest, $at + $leg->seconds);
            $at += $handling->ring === RingStyle::InOrder ? $leg->seconds : 0;
        }
        $words = $bars === []
            ? 'Nothing rings.'
            : (
                count($bars) === 1
                ? "Rings for {$longest} s."
                : ($handling->ring === RingStyle::InOrder ? 'One after the other' : 'All together')
                . ", {$longest} s in all."
            );

        return new self($bars, null, $longest, 1, $ring, $words);
    }

    private static function bar(
        string $item,
        string $who,
        int $pass,
        int $from,
        int $each,
        ?int $limit,
        int $ring,
        ?int $mailboxAfter,
        bool $isPassedOver,
    ): Bar {
        $to = $from + $each;
        $heard = $limit === null ? $each : max(0, min($each, $limit - $from));

        return new Bar(
            $item,
            $who,
            $pass,
            $from,
            $to,
            $heard < $ring ? Bar::NEVER : ($heard < $each ? Bar::CUT : Bar::WHOLE),
            intdiv($heard, $ring),
            $mailboxAfter !== null && $mailboxAfter < $heard ? $from + $mailboxAfter : null,
            $isPassedOver,
        );
    }

    private static function isPassedOver(Group $group, Member $member, CallBook $book): bool
    {
        $user = $member->who->object === null ? null : $book->get((string) $member->who, User::class);
        $legs = $user === null ? [] : array_filter($user->legs, static fn (Leg $leg): bool => $leg->forGroups);

        return (
            $user === null
            ? ! $member->signedIn
            : ($group->signInBy === SignInBy::Administrator && ! $member->signedIn)
            || $legs === []
            || $user->status !== UserStatus::Active
        );
    }

    /** @param list<Bar> $bars */
    private static function ofGroupInWords(
        Group $group,
        int $members,
        int $each,
        int $ring,
        int $onePass,
        array $bars,
    ): string {
        if ($bars === []) {
            return 'Nobody is in it.';
        }
        $rings = intdiv($each, $ring);
        $said = $group->order === GroupOrder::Simultaneous
            ? "All ring at once, for {$onePass} s."
            : 'One full pass: '
            . ($members === 1 ? '1 member' : "{$members} members")
            . " × {$rings} "
            . ($rings === 1 ? 'ring' : 'rings')
            . " × {$ring} s = {$onePass} s.";
        $late = array_values(
            array_filter($bars, static fn (Bar $bar): bool => $bar->pass === 1 && $bar->reached !== Bar::WHOLE),
        );

        return $said . ($late === [] ? '' : ' Not everybody has rung by then.');
    }

    /** @param list<Bar> $bars */
    private static function ofChainInWords(array $bars, int $seconds, bool $isOver): string
    {
        if ($bars === []) {
            return 'There is no place in it.';
        }
        $dead = count(array_filter($bars, static fn (Bar $bar): bool => $bar->reached === Bar::NEVER));

        return "The last place is left after {$seconds} s." . ($isOver ? '' : ' After it the call ends nowhere.') . (
            $dead === 0
            ? ''
            : ($dead === 1 ? ' One place' : " {$dead} places") . ' after a place that keeps the call are never tried.'
        );
    }
}
