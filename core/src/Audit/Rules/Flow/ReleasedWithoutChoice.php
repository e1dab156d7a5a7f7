<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Flow;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\Law\Outcome;

/** Callers who are let go without having heard a word. */
final readonly class ReleasedWithoutChoice implements Rule
{
    public function about(): About
    {
        return new About(
            'flow.released-without-choice',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $survey = $inspection->survey();
        $told = [];
        foreach ($survey->runs as $run) {
            $number = $inspection->book->find(Reference::to(Kind::Number, $run->number));
            // What takes no time was not heard.
            if (
                $number !== null
                && $run->facts->passive === Outcome::Released
                && ! isset($told[$run->number])
                && $run->passiveSeconds() === 0
            ) {
                $told[$run->number] = true;
                yield Found::of(
                    ['number' => $inspection->names->said($number)],
                    $number,
                )->shownBy(['to' => $run->number, 'at' => gmdate('Y-m-d\TH:i:s\Z', $survey->firstInstant($run))]);
            }
        }
    }
}
