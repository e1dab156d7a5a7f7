<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Ports;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Words\Day;

/** Another carrier asks for numbers, and nobody has answered. */
final readonly class LeavingUnanswered implements Rule
{
    public function about(): About
    {
        return new About('ports.leaving-unanswered', Severity::Error);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->surroundings->leaving ?? [] as $leaving) {
            if ($leaving->isAnswered) {
                continue;
            }
            $numbers = array_values(array_filter(array_map(
                static fn (string $key) => $inspection->book->find(Reference::to(Kind::Number, $key)),
                $leaving->numbers,
            )));
            yield Found::of(
                [
                    'numbers' => $inspection->names->several($numbers === []
                        ? array_map(
                            static fn (string $key): string => E164::parse($key)->display(),
                            $leaving->numbers,
                        )
                        : $numbers),
                    'to' => $leaving->to,
                    'day' => new Day($leaving->day),
                    'answerBy' => $leaving->answerBy === null ? 'none' : new Day($leaving->answerBy),
                ],
                ...($numbers === [] ? [$inspection->book->tenant] : $numbers),
            );
        }
    }
}
