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

/** A call is handed on more often than the switch hands on. */
final readonly class Overrun implements Rule
{
    public function about(): About
    {
        return new About(
            'flow.overrun',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $limit = $inspection->book->tenant->transferLimit;
        $survey = $inspection->survey();
        $told = [];
        foreach ($survey->runs as $run) {
            foreach ($run->facts->ends as $end) {
                $number = ! str_starts_with($end, Outcome::Overrun->value . ' ') || isset($told[$run->number])
                    ? null
                    : $inspection->book->find(Reference::to(Kind::Number, $run->number));
                if ($number !== null) {
                    $told[$run->number] = true;
                    $call = $survey->shortestCall($run, $end);
                    $before = $inspection->names->said(substr($end, strlen(Outcome::Overrun->value) + 1));
                    yield Found::of(
                        [
                            'number' => $inspection->names->said($number),
                            'limit' => $limit,
                            'call' => $call === null ? 'none' : 'some',
                            'before' => $before,
                        ],
                        $number,
                    )->shownBy($call);
                }
            }
        }
    }
}
