<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

/** What rules count as too much or too little, each with the reason of its default. */
final readonly class Thresholds
{
    /**
     * @param  int  $longestSpanHours  a shift rarely is longer than a day; common practice
     * @param  int  $holidayNoticeDays  before dates typed by hand run out: two billing months; common practice
     * @param  int  $longestWaitSeconds  before a caller meets a person, a choice or a mailbox: a minute, after which many have hung up; common practice
     * @param  int  $mostWaiting  in one queue: what switches of this size commonly keep; common practice
     * @param  int  $fewestRings  of a telephone: nobody gets to it in fewer; common practice
     * @param  int  $mostChoices  in one menu, ways back and the operator not counted; common practice
     * @param  int  $mostMenusDeep  one behind another; common practice
     * @param  int  $longestPromptSeconds  of a menu; common practice
     * @param  int  $shortestKeyWait  in seconds, for a caller to find the key; common practice
     * @param  int  $exceptionKeptDays  after its last day: somebody may still ask what it was; common practice
     * @param  float  $quietestPeakDb  of a recording: below it nothing is to be heard; common practice
     */
    public function __construct(public int $longestSpanHours = 24, public int $holidayNoticeDays = 60, public int $longestWaitSeconds = 60, public int $mostWaiting = 50, public int $fewestRings = 3, public int $mostChoices = 5, public int $mostMenusDeep = 3, public int $longestPromptSeconds = 30, public int $shortestKeyWait = 3, public int $exceptionKeptDays = 30, public float $quietestPeakDb = -50.0)
    {
    }
}
