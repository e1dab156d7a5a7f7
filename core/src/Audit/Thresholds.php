<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

/** What rules count as too much or too little, each with the reason of its default. */
final readonly class Thresholds
{
    /**
     * @param  int  $longestSpanHours  a shift rarely is longer than a day; common practice
     * @param  int  $holidayNoticeDays  before dates typed by hand run out: two billing months; common practice
     */
    public function __construct(public int $longestSpanHours = 24, public int $holidayNoticeDays = 60)
    {
    }
}
