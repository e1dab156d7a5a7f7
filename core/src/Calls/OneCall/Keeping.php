<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Promise;

/** Whether a promise holds: its test call followed, and held against what was promised of it. */
final readonly class Keeping
{
    private function __construct(public bool $isKept, public ?Trace $trace, public string $reason)
    {
    }

    public static function of(Book $book, Promise $promise): self
    {
        try {
            $trace = Trace::of($book, Script::read($promise->call, $book));
        } catch (UnusableScript $fault) {
            return new self(false, null, "the call cannot be made: {$fault->getMessage()}");
        }
        $wanted = $promise->expect;
        $reason = match (true) {
            $wanted['outcome'] !== null
                && $wanted['outcome'] !== $trace->outcome->value => "the caller {$trace->outcome->words()} "
                    . "{$trace->target}",
            $wanted['target'] !== null
                && $wanted['target'] !== $trace->target => "it is {$trace->target} instead of {$wanted['target']}",
            $wanted['within'] !== null && $trace->seconds > $wanted['within'] => "it takes {$trace->seconds} s instead "
                . "of {$wanted['within']} s at most",
            default => '',
        };

        return new self($reason === '', $trace, $reason);
    }
}
