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
            'A call can be handed on more often than the switch allows.',
            'The switch cuts the caller off in the middle.',
            'Let one of the places on the way keep the call.',
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
                    $before = $inspection->names->of(substr($end, strlen(Outcome::Overrun->value) + 1));
                    yield Found::of(
                        "{$inspection->names->of($number)}: a call is handed on more than {$limit} times",
                        ($call === null ? 'It happens if somebody\'s state changes during the call. ' : '')
                            . "Then the switch gives up, before {$before}, and the caller is cut off.",
                        $number,
                    )->shownBy($call);
                }
            }
        }
    }
}
