<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\Book\Group;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Event;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Hunt;
use Jaunty\Core\Calls\Law\Keypad;
use Jaunty\Core\Calls\Law\OfferPlan;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Hours\HoursState;

/**
 * What a script's world gives at a hunt group: why nobody is offered the call, or what comes of the offers.
 *
 * @internal
 */
final readonly class GroupCalls
{
    /** @param array<string, list<string>> $order by group, the items the world puts first */
    public function __construct(
        private CallBook $book,
        private World $world,
        private array $order,
        private Keypad $keypad,
    ) {
    }

    /** A call that came for the group itself. */
    public function own(State $state, int $now): Resolved
    {
        $group = $this->book->get($state->object, Group::class);
        $entered = new TraceStep($now, $state->object, 'is called');
        $case = $this->caseBeforeOffers($group, $state->object);
        if ($case !== null) {
            return new Resolved(Event::of($case), $now, [$entered]);
        }
        if ($group->queue !== null) {
            return $this->queue($state, $group, $now, $entered);
        }
        $hunt = new Hunt(
            OfferPlan::own($group, $this->book->tenant()->secondsPerRing),
            $this->world,
            $state->inside,
            $this->order[$state->object] ?? [],
        );
        [$kind, $who, $second, $began] = $hunt->run();

        return new Resolved(Event::of($kind, $who), $now + $second, [$entered, ...TraceStep::rings($began, $now)]);
    }

    /** @param string $object the group, or the shared line that it is */
    private function caseBeforeOffers(Group $group, string $object): ?EventKind
    {
        $hours = HoursState::of($this->book->hours($group->schedule, $this->book->clockOf($group)));
        if (! $group->enabled) {
            return EventKind::SwitchedOff;
        }
        if ($group->handClosable ? $this->world->says($object) === 'closedByHand' : $group->closedByHand) {
            return EventKind::ClosedByHand;
        }
        if ($hours !== HoursState::Open) {
            return EventKind::from($hours->value);
        }
        if ($this->world->says($object) === 'inUse') {
            return EventKind::AllBusy;
        }

        return $this->nobodyToOffer($group);
    }

    private function nobodyToOffer(Group $group): ?EventKind
    {
        $signedIn = [];
        foreach ($group->withTurns() as $member) {
            $availability = $this->world->availability($group, $member);
            if ($availability !== 'signedOut') {
                $signedIn[] = $availability;
            }
        }

        return match (true) {
            $signedIn === [] => EventKind::NobodySignedIn,
            array_unique($signedIn) === ['unreachable'] => EventKind::AllUnreachable,
            in_array('available', $signedIn, true) => null,
            // A queue waits while all are busy, unless it is told otherwise.
            $group->queue !== null && $group->otherwise->of('allBusy') === null => null,
            default => EventKind::AllBusy,
        };
    }

    private function queue(State $state, Group $group, int $now, TraceStep $entered): Resolved
    {
        $queue = $group->queue ?? throw new \LogicException('no queue');
        if ($queue->most < 1 || $this->world->says($state->object) === 'full') {
            return new Resolved(Event::of(EventKind::Full), $now, [$entered]);
        }
        $hunt = new Hunt(
            OfferPlan::own($group, $this->book->tenant()->secondsPerRing),
            $this->world,
            $state->inside,
            $this->order[$state->object] ?? [],
        );
        [$kind, $who, $second, $began] = $hunt->run();
        $isTaken = $kind->takes();
        $until = $kind === EventKind::Endless ? PHP_INT_MAX : $now + $second;
        $key = $queue->exitKey === null || ($isTaken && $second === 0)
            ? null
            : $this->keypad->next($now, $until, $now, $queue->exitKey);
        $steps = [$entered, new TraceStep($now, $state->object, 'waits in the queue')];
        if ($key !== null) {
            $before = array_values(array_filter($began, static fn (array $leg): bool => $now + $leg[0] <= $key[1]));

            return new Resolved(
                Event::of(EventKind::ExitKey),
                $key[1],
                [
                    ...$steps,
                    ...TraceStep::rings($before, $now),
                    new TraceStep($key[1], $state->object, "key {$key[0]}"),
                ],
                true,
            );
        }
        if ($kind === EventKind::Endless) {
            $atOnce = array_values(array_filter($began, static fn (array $leg): bool => $leg[0] === 0));

            return new Resolved(Event::of(EventKind::Endless), $now, [...$steps, ...TraceStep::rings($atOnce, $now)]);
        }

        return new Resolved(
            Event::of($kind === EventKind::Unanswered ? EventKind::WaitedLongest : $kind, $who),
            $now + $second,
            [...$steps, ...TraceStep::rings($began, $now)],
        );
    }

    /**
     * An offer to the group from a place of a chain.
     *
     * @param  list<TraceStep>  $steps
     */
    public function place(string $reference, State $state, int $seconds, int $now, array $steps): Resolved
    {
        $group = $this->book->get($reference, Group::class);
        $steps[] = new TraceStep($now, $reference, 'is offered');
        if ($this->caseBeforeOffers($group, $reference) !== null || $this->isAllBusy($group)) {
            return new Resolved(Event::of(EventKind::Left), $now, $steps);
        }
        $hunt = new Hunt(
            OfferPlan::place($group, $this->book->tenant()->secondsPerRing, $seconds),
            $this->world,
            $state->inside,
            $this->order[$reference] ?? [],
        );
        [$kind, $who, $second, $began] = $hunt->run();

        return new Resolved(Event::of($kind, $who), $now + $second, [...$steps, ...TraceStep::rings($began, $now)]);
    }

    private function isAllBusy(Group $group): bool
    {
        foreach ($group->withTurns() as $member) {
            if ($this->world->availability($group, $member) === 'available') {
                return false;
            }
        }

        return true;
    }
}
