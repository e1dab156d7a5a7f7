<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Callers;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Reference;

/** Callers who are waiting when it closes wait on for people who go home. */
final readonly class ClosesWhileWaiting implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.closes-while-waiting',
            Severity::Note,
            About::MODEL,
            thresholds: [Threshold::WaitPastClosingSeconds],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $most = $inspection->threshold(Threshold::WaitPastClosingSeconds);
        foreach ($inspection->book->all(Group::class) as $group) {
            $wait = $group->queue?->longestWait;
            if ($wait === null || $wait <= $most || $group->queue?->exitKey !== null) {
                continue;
            }
            $closing = array_values(array_filter(
                $inspection->book->all(Attendant::class),
                static fn (Attendant $attendant): bool => array_filter(
                    $attendant->answers,
                    static fn (array $answer): bool => (string) $answer['then'] === (string) Reference::of($group),
                ) !== [],
            ));
            if ($closing !== [] || $group->schedule !== null) {
                yield Found::of(
                    ['group' => $group->name, 'wait' => $wait],
                    $group,
                )->at('queue/longestWait');
            }
        }
    }
}
