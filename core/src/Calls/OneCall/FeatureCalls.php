<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\ExtensionPlan;
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\PickUpGroup;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\State;

/** What codes come to that somebody inside dials (docs/features.md). */
final readonly class FeatureCalls
{
    /** @param ?string $from whom the script says calls */
    public function __construct(private CallBook $book, private World $world, private ?string $from)
    {
    }

    /** @return ?string `user:key` of who dials; null for nobody in particular */
    public function caller(): ?string
    {
        return $this->from !== null && str_starts_with($this->from, 'user:') ? $this->from : null;
    }

    /** Where nobody signed in nothing can be dialled. */
    public function atHotDesk(): ?FeatureEnd
    {
        return $this->hotDesk() === null
            ? null
            : FeatureEnd::nowhere($this->hotDesk(), 'nobody is signed in at this telephone');
    }

    public function dial(string $keys): State|FeatureEnd
    {
        [$code, $rest] = $this->book->tenant()->features->codeOf($keys)
            ?? throw new \LogicException("{$keys} is no code");
        if ($code !== 'signIn' && $this->hotDesk() !== null) {
            return FeatureEnd::nowhere($this->hotDesk(), 'nobody is signed in at this telephone');
        }
        if ($code === 'pickUp') {
            return $rest === '' ? $this->pickUp() : $this->nowhere("nothing may follow the code, and {$rest} does");
        }
        if ($code === 'speedDial') {
            return $this->speedDial($rest);
        }
        $whose = ExtensionPlan::of($this->book->book())->reached($rest);
        if ($code === 'signIn') {
            return $this->signIn($whose);
        }
        if ($whose === null) {
            return $this->nowhere(
                $rest === '' ? 'an extension has to follow the code' : "nobody has extension {$rest}",
            );
        }
        if (! $whose instanceof User) {
            return FeatureEnd::nowhere((string) Reference::of($whose), 'it is not the extension of a person');
        }

        return $code === 'intercom' ? $this->intercom($whose) : $this->pickUpOf($whose);
    }

    private function hotDesk(): ?string
    {
        return $this->from !== null && str_starts_with($this->from, 'device:') ? $this->from : null;
    }

    private function nowhere(string $reason): FeatureEnd
    {
        return FeatureEnd::nowhere($this->at(), $reason);
    }

    private function at(): string
    {
        return $this->caller() ?? (string) Reference::of($this->book->tenant());
    }

    /** @return list<PickUpGroup> */
    private function own(): array
    {
        return array_values(array_filter(
            $this->book->book()->all(PickUpGroup::class),
            fn (PickUpGroup $group): bool => $this->isIn($group, (string) $this->caller()),
        ));
    }

    private function isIn(PickUpGroup $group, string $user): bool
    {
        return in_array(
            $user,
            array_map(static fn (array $member): string => (string) $member['who'], $group->members),
            true,
        );
    }

    private function pickUp(): FeatureEnd
    {
        $own = $this->own();
        foreach ($own as $group) {
            foreach ($group->members as $member) {
                $who = (string) $member['who'];
                if ($who !== $this->caller() && $this->world->says($who) === 'ringing') {
                    return $this->pickedUp($group, $who);
                }
            }
        }

        return $own === []
            ? $this->nowhere('whoever dials is in no pick-up group')
            : FeatureEnd::nowhere((string) Reference::of($own[0]), 'nobody in it has a call ringing');
    }

    private function pickUpOf(User $whose): FeatureEnd
    {
        $who = (string) Reference::of($whose);
        foreach ($who === $this->caller() ? [] : $this->own() as $group) {
            if ($this->isIn($group, $who)) {
                return $this->world->says($who) === 'ringing'
                    ? $this->pickedUp($group, $who)
                    : FeatureEnd::nowhere($who, 'no call rings there');
            }
        }

        return FeatureEnd::nowhere($who, 'no pick-up group holds both');
    }

    private function pickedUp(PickUpGroup $group, string $who): FeatureEnd
    {
        return new FeatureEnd(Outcome::PickedUp, $who, [
            new TraceStep(0, (string) Reference::of($group), 'picks up'),
            new TraceStep(0, $who, 'is picked up'),
        ], '');
    }

    private function intercom(User $whose): FeatureEnd
    {
        $who = (string) Reference::of($whose);
        $entered = [new TraceStep(0, $who, 'is called')];
        $devices = array_filter($whose->legs, fn (Leg $leg): bool => $leg->legKind !== LegKind::Outside
            && $this->world->isReachable($whose, $leg));
        if ($devices === []) {
            return new FeatureEnd(Outcome::DeadEnd, $who, $entered, 'no telephone of theirs can be reached');
        }
        if (! $this->world->isDisturbable($whose) || $this->world->isOnACall($whose)) {
            return new FeatureEnd(
                Outcome::Busy,
                $who,
                $entered,
                $this->world->isDisturbable($whose) ? 'on a call' : 'do not disturb is on',
            );
        }

        return new FeatureEnd(Outcome::Answered, $who, [...$entered, new TraceStep(0, $who, 'answers by itself')], '');
    }

    private function speedDial(string $digits): State|FeatureEnd
    {
        foreach ($this->book->tenant()->features->speedDials as $dial) {
            if ($dial['digits'] === $digits) {
                return State::outside($dial['number'], true, [], $this->at(), true);
            }
        }

        return $this->nowhere($digits === '' ? 'digits have to follow the code' : "{$digits} is no speed dial");
    }

    private function signIn(?BookObject $whose): FeatureEnd
    {
        $desk = $this->hotDesk();
        if ($desk === null) {
            return $this->nowhere('only at a hot desk can anybody sign in');
        }
        if (! $whose instanceof User || $whose->status !== UserStatus::Active) {
            return FeatureEnd::nowhere($desk, 'that is not the extension of anybody who works here');
        }

        return new FeatureEnd(Outcome::SignedIn, $desk, [
            new TraceStep(0, $desk, 'is signed in at'),
            new TraceStep(0, (string) Reference::of($whose), 'signs in'),
        ], '');
    }
}
