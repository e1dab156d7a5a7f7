<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\SignInBy;
use Jaunty\Core\Calls\Law\ArrivalHours;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Keypad;
use Jaunty\Core\Calls\Law\Machine;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\Law\WayOut;

/** One call followed to its end: every step with its second, then the outcome. */
final readonly class Trace
{
    private const MOST_STEPS = 200_000;

    /**
     * @param  string  $target  who or what the outcome is about
     * @param  int  $seconds  from the call's arrival to the outcome
     * @param  list<TraceStep>  $steps
     * @param  string  $reason  why it ended so; empty where the outcome says it
     * @param  list<string>  $warnings  what the caller may have met otherwise
     */
    private function __construct(
        public Outcome $outcome,
        public string $target,
        public int $seconds,
        public array $steps,
        public string $reason,
        public array $warnings,
    ) {
    }

    public static function of(Book $book, Script $script): self
    {
        $hours = new ArrivalHours($book, $script->at);
        $callBook = new CallBook($book, $hours->say(...));
        $machine = new Machine($callBook);
        $resolver = Resolver::of($callBook, $script, new Keypad($script->keys, $script->isTimed()));
        $start = self::start($machine, $callBook, $script);
        if ($start instanceof FeatureEnd) {
            return new self($start->outcome, $start->target, 0, $start->steps, $start->reason, []);
        }
        [$outcome, $target, $seconds, $steps, $reason] = self::follow(
            $machine,
            $resolver,
            new Reasons($callBook),
            $start,
            $book->tenant->transferLimit,
            $script->number === null ? 1 : 0,
        );

        return new self($outcome, $target, $seconds, $steps, $reason, [
            ...$hours->changesWithin($seconds),
            ...self::ignored($book, $script, $steps),
        ]);
    }

    private static function start(Machine $machine, CallBook $book, Script $script): State|FeatureEnd
    {
        if ($script->number !== null) {
            return State::number($script->number);
        }
        $features = new FeatureCalls($book, new World($book, new WayOut($book), $script->world), $script->from);
        if ($script->extension === null) {
            return $features->dial($script->code ?? throw new \LogicException('a script calls somebody'));
        }

        return $features->atHotDesk() ?? $machine->dialled($script->extension, $features->caller());
    }

    /**
     * @param  list<TraceStep>  $steps
     * @return list<string> what the script says of the world that the book leaves to an administrator, where the call
     *     met it
     */
    private static function ignored(Book $book, Script $script, array $steps): array
    {
        $warnings = [];
        foreach (array_unique(array_map(static fn (TraceStep $step): string => $step->object, $steps)) as $object) {
            $group = str_starts_with($object, 'group:') ? $book->find(Reference::parse($object)) : null;
            if (! $group instanceof Group) {
                continue;
            }
            if (! $group->handClosable && ($script->world[$object] ?? null) === 'closedByHand') {
                $warnings[] = "{$group->name} cannot be closed by hand here, only by an administrator; that it is "
                    . "closed was left aside.";
            }
            foreach ($group->signInBy === SignInBy::Administrator ? $group->members : [] as $member) {
                if (($script->world[(string) $member->who] ?? null) === 'signedOut' && $member->signedIn) {
                    $warnings[] = ($member->who->object === null ? null : $book->find($member->who->object))?->label()
                        . " is signed in at {$group->name} by an administrator; that they are "
                            . "signed out was left aside there.";
                }
            }
        }

        return $warnings;
    }

    /**
     * @param  int  $followed  destinations followed already: dialling an extension is one
     * @return array{Outcome, string, int, list<TraceStep>, string}
     */
    private static function follow(
        Machine $machine,
        Resolver $resolver,
        Reasons $reasons,
        State $state,
        int $transferLimit,
        int $followed,
    ): array {
        $steps = [];
        $now = 0;
        $why = '';
        $seen = [$state->key() => true];
        for ($count = 0; $count < self::MOST_STEPS; $count++) {
            $resolved = $resolver->resolve($state, $now);
            foreach ($resolved->steps as $step) {
                $steps[] = $step->because($why);
                $why = '';
            }
            $next = $machine->step($state, $resolved->event);
            $reason = $reasons->of($state, $resolved->event, $resolved->second - $now, $next);
            $why = implode('; ', array_filter([$why, $reason], static fn (string $part): bool => $part !== ''));
            $now = $resolved->second;
            if ($resolved->byKey) {
                $seen = [];
            }
            if ($next->outcome !== null) {
                return [$next->outcome, $next->target, $now, $steps, $why];
            }
            $state = $next->state ?? throw new \LogicException('neither a state nor an end');
            if (isset($seen[$state->key()])) {
                return [
                    Outcome::Loop, $state->object, $now,
                    [...$steps, new TraceStep($now, $state->object, 'comes back', $why)], 'the same again, without end',
                ];
            }
            $seen[$state->key()] = true;
            $followed += $next->isTransfer ? 1 : 0;
            if ($followed - 1 > $transferLimit) {
                return [Outcome::Overrun, $state->object, $now, $steps, "more than {$transferLimit} transfers"];
            }
        }
        throw new \LogicException('a call of bounded states has no end');
    }

    /**
     * @return array{outcome: string, target: string, seconds: int, reason: string, steps: list<array{at: int,
     *     object: string, what: string, reason: string}>, warnings: list<string>}
     */
    public function toArray(): array
    {
        return [
            'outcome' => $this->outcome->value,
            'target' => $this->target,
            'seconds' => $this->seconds,
            'reason' => $this->reason,
            'steps' => array_map(static fn (TraceStep $step): array => $step->toArray(), $this->steps),
            'warnings' => $this->warnings,
        ];
    }
}
