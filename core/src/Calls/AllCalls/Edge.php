<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Calls\Law\Choice;
use Jaunty\Core\Calls\Law\Next;

/** A choice taken: where it leads from a state of the explored graph. */
final readonly class Edge
{
    /** @param ?string $to key of the next state; null at an end */
    public function __construct(public Choice $choice, public Next $next, public ?string $to)
    {
    }
}
