<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Flow;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;

/** Callers who hear nothing but ringing for longer than most of them wait. */
final readonly class LongWait implements Rule
{
    public function about(): About
    {
        return new About(
            'flow.long-wait',
            Severity::Warning,
            thresholds: [Threshold::LongestWaitSeconds],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $most = $inspection->threshold(Threshold::LongestWaitSeconds);
        $survey = $inspection->survey();
        $longest = [];
        foreach ($survey->runs as $run) {
            // A queue is waited in knowingly, and a menu is a choice.
            $seconds = $run->facts->passive === null ? 0 : $run->passiveSeconds() ?? 0;
            if ($seconds > max($most, $longest[$run->number][0] ?? 0)) {
                $longest[$run->number] = [$seconds, $run];
            }
        }
        foreach ($longest as $key => [$seconds, $run]) {
            $number = $inspection->book->find(Reference::to(Kind::Number, (string) $key));
            if ($number !== null) {
                yield Found::of(
                    [
                        'number' => $inspection->names->said($number),
                        'seconds' => $seconds,
                        'passiveTarget' => $inspection->names->said($run->facts->passiveTarget),
                    ],
                    $number,
                )->shownBy(['to' => $run->number, 'at' => gmdate('Y-m-d\TH:i:s\Z', $survey->firstInstant($run))]);
            }
        }
    }
}
