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
            'A queue keeps callers waiting for long, and nothing is done with those who wait when it closes.',
            'What counts is whether it was open when they called: at the end of the day the last callers wait for '
                . 'people who have gone.',
            'Shorten the longest wait, or let callers leave the queue by a key.',
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
                    "{$group->name}: who waits at closing time waits on for up to {$wait} s",
                    'Callers come to it while it is open, and nothing ends their wait when it closes.',
                    $group,
                )->at('queue/longestWait');
            }
        }
    }
}
