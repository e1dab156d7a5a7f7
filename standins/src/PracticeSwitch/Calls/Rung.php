<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/**
 * What came of ringing some legs: picked_up or box (and by whom), unheard, full or dark, and how many seconds it took.
 */
final readonly class Rung
{
    public function __construct(public string $word, public int $seconds, public ?Place $by = null)
    {
    }

    public function isTaken(): bool
    {
        return $this->by !== null;
    }

    public function ending(int $began): Turn
    {
        return Turn::end(
            $this->word === 'box' ? 'far_box' : 'taken',
            $this->by ?? new Place('act', ''),
            $began + $this->seconds,
        );
    }
}
