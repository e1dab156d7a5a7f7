<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Flow;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Calls\Year\Run;

/** Calls that end nowhere; where another rule says why, its finding stands for this one. */
final readonly class DeadEnd implements Rule
{
    public function about(): About
    {
        return new About(
            'flow.dead-end',
            Severity::Blocker,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $survey = $inspection->survey();
        $ends = [];
        foreach ($survey->runs as $run) {
            foreach ($run->facts->ends as $end) {
                if (str_starts_with($end, Outcome::DeadEnd->value . ' ')) {
                    $ends[substr($end, strlen(Outcome::DeadEnd->value) + 1)][] = $run;
                }
            }
        }
        foreach ($ends as $target => $runs) {
            $object = str_starts_with($target, 'outside:') ? null : $inspection->book->find(Reference::parse($target));
            if ($object === null) {
                continue;
            }
            $call = $survey->shortestCall($runs[0], Outcome::DeadEnd->value . " {$target}");
            $reason = $call === null
                ? 'somebody has to change state during the call'
                : Trace::of($inspection->book, Script::read($call, $inspection->book))->reason;
            $numbers = count(array_unique(array_map(static fn (Run $run): string => $run->number, $runs)));
            yield Found::of(
                [
                    'object' => $inspection->names->said($object),
                    'reason' => $reason,
                    'call' => $call === null ? 'none' : 'some',
                ],
                $object,
            )
                ->counting($numbers)->shownBy($call);
        }
    }
}
