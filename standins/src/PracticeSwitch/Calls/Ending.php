<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** How a call ends: a word, where, and after how many seconds. */
final readonly class Ending
{
    public function __construct(public string $word, public Place $place, public int $second)
    {
    }
}
