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
            'Calls to a number can go more ways than are followed.',
            'What was followed was looked at; whether the rest is sound is unknown.',
            'Lead fewer menus to each other: mostly back to the one before is enough, or on to the operator.',
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
                    "{$inspection->names->of($number)}: not every call could be followed",
                    'Menus that lead to each other and back make too many ways. What is found of it stands; what is '
                        . 'not found is unknown.',
                    $number,
                );
            }
        }
    }
}
