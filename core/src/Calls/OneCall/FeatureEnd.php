<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\Calls\Law\Outcome;

/** What a code comes to, at once. */
final readonly class FeatureEnd
{
    /** @param list<TraceStep> $steps */
    public function __construct(
        public Outcome $outcome,
        public string $target,
        public array $steps,
        public string $reason,
    ) {
    }

    public static function nowhere(string $target, string $reason): self
    {
        return new self(Outcome::DeadEnd, $target, [], $reason);
    }
}
