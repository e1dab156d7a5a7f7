<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\TwoBooks;

/**
 * Calls to one number in two books, in one period class.
 *
 * @internal
 */
final readonly class Comparison
{
    /**
     * @param  array<string, Contrast>  $contrasts  each once, by what differs
     * @param  array<string, true>  $reachedBefore
     * @param  array<string, true>  $reachedAfter
     */
    public function __construct(
        public array $contrasts,
        public array $reachedBefore,
        public array $reachedAfter,
        public bool $isComplete,
    ) {
    }
}
