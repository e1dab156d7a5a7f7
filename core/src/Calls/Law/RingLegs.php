<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/**
 * Legs as a free world may have them at their best: they answer, unless nothing can ever ring them.
 *
 * @internal
 */
final readonly class RingLegs
{
    public function __construct(private CallBook $book, private WayOut $wayOut)
    {
    }

    /**
     * @param  list<Leg>  $legs
     * @param  ?int  $seconds  of an offer; unset: each leg's own
     * @return list<RingLeg>
     */
    public function of(User $user, array $legs, bool $inside, ?int $seconds = null): array
    {
        return array_map(function (Leg $leg) use ($user, $inside, $seconds): RingLeg {
            if ($leg->legKind !== LegKind::Outside) {
                return new RingLeg("user:{$user->key}", 'answers', $seconds ?? $leg->seconds);
            }

            return $leg->number === null
                ? new RingLeg("user:{$user->key}", 'unreachable', 0)
                : $this->outside(
                    $leg->number,
                    "user:{$user->key}",
                    $inside,
                    $seconds ?? $leg->seconds,
                    $leg->confirm,
                    $leg->mailboxAfter,
                );
        }, $legs);
    }

    public function outside(
        string $number,
        string $sender,
        bool $inside,
        int $seconds,
        bool $confirm = false,
        int $mailboxAfter = CallBook::OUTSIDE_MAILBOX_AFTER,
    ): RingLeg {
        return new RingLeg(
            "outside:{$number}",
            $this->canLeave($number, $sender, $inside) ? 'answers' : 'refused',
            $seconds,
            $mailboxAfter,
            $confirm,
        );
    }

    /** @return list<Leg> devices of the user's present state; none where the user is no longer active */
    public function devices(User $user): array
    {
        return $user->status === UserStatus::Active
            ? array_values(
                array_filter(
                    $this->book->legs($user),
                    static fn (Leg $leg): bool => $leg->legKind !== LegKind::Outside,
                ),
            )
            : [];
    }

    public function canLeave(string $number, string $sender, bool $inside): bool
    {
        return $this->wayOut->exists($number, $sender, $inside, []);
    }
}
