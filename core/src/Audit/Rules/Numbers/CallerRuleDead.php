<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Calls\Law\FirstMatch;
use Jaunty\Core\Words\Listing;

/** A rule for callers behind others that take them all. */
final readonly class CallerRuleDead implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.caller-rule-dead',
            Severity::Warning,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $blocked = array_column($inspection->book->tenant->blocked, 'callers');
        foreach ($inspection->book->all(Number::class) as $number) {
            $before = $blocked;
            $dead = [];
            foreach ($number->callerRules as $rule) {
                $dead = FirstMatch::of($rule->callers, $before)->isPossible ? $dead : [...$dead, $rule];
                $before[] = $rule->callers;
            }
            if ($dead !== []) {
                $whom = Listing::row(array_map(static fn ($rule): string => $rule->callers, array_slice($dead, 0, 3)));
                yield Found::of(
                    ['number' => $inspection->names->said($number), 'n' => count($dead), 'whom' => $whom],
                    $number,
                )->at('callerRules')->counting(count($dead))
                    ->fixedBy(Fix::of(
                        count($dead) === 1 ? 'Take it out' : 'Take them out',
                        Fix::leavingOut($number, 'callerRules', ...array_column($dead, 'item')),
                    ));
            }
        }
    }
}
