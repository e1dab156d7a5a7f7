<?php

declare(strict_types=1);

namespace App\TakingOn;

use Jaunty\Core\Templates\Answers;
use Jaunty\Core\Templates\Expansion;

/**
 * What answers come to: how they were read, what is wrong with them, and what they would make; what is at fault is left
 * out of that.
 */
final readonly class Preview
{
    /**
     * @param  ?Expansion  $expansion  null where an answer that everything hangs on is missing
     * @param  array<string, string>  $faults  by slot, or slot, row and column
     * @param  bool  $isWhole  whether all answers are in it
     */
    public function __construct(
        public Answers $answers,
        public ?Expansion $expansion,
        public array $faults,
        public bool $isWhole,
    ) {
    }
}
