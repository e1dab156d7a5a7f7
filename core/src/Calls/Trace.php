<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

use Jaunty\Core\Book\Book;

/** One call followed to its end: every step with its second, then the outcome. */
final readonly class Trace
{
    private const MOST_STEPS = 200_000;

    /**
     * @param  string  $target  who or what the outcome is about
     * @param  int  $seconds  from the call's arrival to the outcome
     * @param  list<TraceStep>  $steps
     */
    private function __construct(public Outcome $outcome, public string $target, public int $seconds, public array $steps)
    {
    }

    public static function of(Book $book, Script $script): self
    {
        $callBook = CallBook::at($book, $script->at);
        $machine = new Machine($callBook);
        $resolver = Resolver::of($callBook, $script, new Keypad($script->keys, $script->isTimed()));
        $start = $script->number !== null ? State::number($script->number) : $machine->dialled($script->extension ?? throw new \LogicException('a script calls somebody'));

        return self::follow($machine, $resolver, $start, $book->tenant->transferLimit, $script->number === null ? 1 : 0);
    }

    /** @param int $followed destinations followed already: dialling an extension is one */
    private static function follow(Machine $machine, Resolver $resolver, State $state, int $transferLimit, int $followed): self
    {
        $steps = [];
        $now = 0;
        $seen = [$state->key() => true];
        for ($count = 0; $count < self::MOST_STEPS; $count++) {
            $resolved = $resolver->resolve($state, $now);
            array_push($steps, ...$resolved->steps);
            $now = $resolved->second;
            if ($resolved->byKey) {
                $seen = [];
            }
            $next = $machine->step($state, $resolved->event);
            if ($next->outcome !== null) {
                return new self($next->outcome, $next->target, $now, $steps);
            }
            $state = $next->state ?? throw new \LogicException('neither a state nor an end');
            if (isset($seen[$state->key()])) {
                return new self(Outcome::Loop, $state->object, $now, [...$steps, new TraceStep($now, $state->object, 'comes back')]);
            }
            $seen[$state->key()] = true;
            $followed += $next->isTransfer ? 1 : 0;
            if ($followed - 1 > $transferLimit) {
                return new self(Outcome::Overrun, $state->object, $now, $steps);
            }
        }
        throw new \LogicException('a call of bounded states has no end');
    }

    /** @return array{outcome: string, target: string, seconds: int, steps: list<array{at: int, object: string, what: string, reason: string}>, warnings: list<string>} */
    public function toArray(): array
    {
        return [
            'outcome' => $this->outcome->value,
            'target' => $this->target,
            'seconds' => $this->seconds,
            'steps' => array_map(static fn (TraceStep $step): array => $step->toArray(), $this->steps),
            'warnings' => [],
        ];
    }
}
