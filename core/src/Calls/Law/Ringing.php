<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

/** What comes of legs that ring together or in order: one event, its second, and which legs began to ring. */
final readonly class Ringing
{
    /**
     * @param  EventKind  $kind  answered, outside mailbox, unanswered, busy or unreachable
     * @param  string  $who  who took the call
     * @param  int  $seconds  from the beginning on
     * @param  list<array{int, string}>  $began  seconds from the beginning, and the object
     */
    private function __construct(public EventKind $kind, public string $who, public int $seconds, public array $began)
    {
    }

    /** @param list<RingLeg> $legs */
    public static function together(array $legs): self
    {
        $taken = null;
        $who = null;
        $longest = 0;
        foreach ($legs as $leg) {
            $after = $leg->takenAfter();
            if ($after !== null && ($taken === null || $after < $taken)) {
                [$taken, $who] = [$after, $leg];
            }
            $longest = max($longest, $leg->dropsOut() ? 0 : $leg->seconds);
        }
        $ringing = array_values(array_filter($legs, static fn (RingLeg $leg): bool => ! $leg->dropsOut()));
        $began = array_map(static fn (RingLeg $leg): array => [0, $leg->object], $ringing);
        if ($who !== null) {
            return new self(
                $who->does === 'answers' ? EventKind::Answered : EventKind::OutsideMailbox,
                $who->object,
                (int) $taken,
                $began,
            );
        }

        return new self($ringing === [] ? self::dropped($legs) : EventKind::Unanswered, '', $longest, $began);
    }

    /** @param list<RingLeg> $legs */
    public static function inOrder(array $legs): self
    {
        $at = 0;
        $began = [];
        foreach ($legs as $leg) {
            if ($leg->dropsOut()) {
                continue;
            }
            $began[] = [$at, $leg->object];
            $after = $leg->takenAfter();
            if ($after !== null) {
                return new self(
                    $leg->does === 'answers' ? EventKind::Answered : EventKind::OutsideMailbox,
                    $leg->object,
                    $at + $after,
                    $began,
                );
            }
            $at += $leg->seconds;
        }

        return new self($began === [] ? self::dropped($legs) : EventKind::Unanswered, '', $at, $began);
    }

    /** @param list<RingLeg> $legs */
    private static function dropped(array $legs): EventKind
    {
        foreach ($legs as $leg) {
            if ($leg->does !== 'unreachable') {
                return EventKind::Busy;
            }
        }

        return EventKind::Unreachable;
    }
}
