<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\Book\Announcement;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Event;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Ringing;
use Jaunty\Core\Calls\Law\State;

/**
 * What a script's world gives at a place of a chain.
 *
 * @internal
 */
final readonly class ChainCalls
{
    public function __construct(private CallBook $book, private World $world, private GroupCalls $groups)
    {
    }

    public function resolve(State $state, int $now): Resolved
    {
        $chain = $this->book->get($state->object, Chain::class);
        $steps = $state->position <= 0 && ($state->position === -1 || $chain->announcement === null)
            ? [new TraceStep($now, $state->object, 'begins')]
            : [];
        if ($state->position === -1 && $chain->announcement !== null) {
            $announcement = $this->book->get((string) $chain->announcement, Announcement::class);

            return new Resolved(Event::of(EventKind::Announced), $now + $this->book->seconds($announcement->prompt), [
                ...$steps,
                new TraceStep($now, (string) $chain->announcement, 'plays'),
            ]);
        }
        $place = $chain->places[$state->position] ?? null;
        if ($place === null) {
            return new Resolved(Event::of(EventKind::Ended), $now, $steps);
        }
        $to = $this->book->meant($place['to']);
        $seconds = $this->book->placeSeconds($place);
        if ($to === null) {
            return new Resolved(Event::of(EventKind::Left), $now, $steps);
        }
        if ($to->outside !== null) {
            return $this->place(
                Ringing::together([$this->world->outside(
                    $to->outside,
                    $state->object,
                    $state->inside,
                    $seconds,
                    CallBook::OUTSIDE_MAILBOX_AFTER,
                    false,
                )]),
                $now,
                $steps,
            );
        }
        if ($to->word === 'again' || $to->word === 'back') {
            return new Resolved(Event::of(EventKind::Ended), $now, $steps);
        }
        switch ($to->object?->kind) {
            case Kind::User:
                return $this->place(Ringing::together($this->world->devices((string) $to, $seconds)), $now, [
                    ...$steps,
                    new TraceStep($now, (string) $to, 'is offered'),
                ]);
            case Kind::Group:
            case Kind::SharedLine:
                return $this->groups->place((string) $to, $state, $seconds, $now, $steps);
            case Kind::Announcement:
                $announcement = $this->book->get((string) $to, Announcement::class);
                if ($announcement->then === null) {
                    return new Resolved(
                        Event::of(EventKind::Played),
                        $now + $this->book->seconds($announcement->prompt),
                        [...$steps, new TraceStep($now, (string) $to, 'plays')],
                    );
                }
        }

        return new Resolved(Event::of(EventKind::Leads), $now, $steps);
    }

    /** @param list<TraceStep> $steps */
    private function place(Ringing $ringing, int $now, array $steps): Resolved
    {
        if ($ringing->began === []) {
            return new Resolved(Event::of(EventKind::Left), $now, $steps);
        }

        return new Resolved(Event::of($ringing->kind, $ringing->who), $now + $ringing->seconds, [
            ...$steps,
            ...TraceStep::rings($ringing->began, $now),
        ]);
    }
}
