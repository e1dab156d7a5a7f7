<?php

declare(strict_types=1);

namespace App\TakingOn;

use Jaunty\Core\Templates\Answers;
use Jaunty\Core\Templates\Expansion;

/** What answers come to: how they were read, what is wrong with them, and what they would make once nothing is. */
final readonly class Preview
{
    /** @param array<string, string> $faults by slot, or slot, row and column */
    public function __construct(public Answers $answers, public ?Expansion $expansion, public array $faults)
    {
    }
}
