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

/** Calls to a number can go more ways than anybody follows. */
final readonly class NotFollowed implements Rule
{
    public function about(): About
    {
        return new About(
            'flow.not-followed',
            Severity::Warning,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $told = [];
        foreach ($inspection->survey()->runs as $run) {
            $number = $run->explored->isComplete || isset($told[$run->number])
                ? null
                : $inspection->book->find(Reference::to(Kind::Number, $run->number));
            if ($number !== null) {
                $told[$run->number] = true;
                yield Found::of(
                    ['number' => $inspection->names->said($number)],
                    $number,
                );
            }
        }
    }
}
