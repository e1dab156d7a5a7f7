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

/** A rule for callers behind others that take them all. */
final readonly class CallerRuleDead implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.caller-rule-dead',
            Severity::Warning,
            'A rule for callers comes after others that take all of them.',
            'It never holds: the first that fits does.',
            'Move it before them, or take it out.',
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
                $whom = implode(', ', array_map(static fn ($rule): string => $rule->callers, array_slice($dead, 0, 3)));
                yield Found::of(
                    "{$inspection->names->of($number)}: " . (
                        count($dead) === 1
                        ? 'a rule for callers never holds'
                        : count($dead) . ' rules for callers never hold'
                    ),
                    "What is looked at before takes all of them: {$whom}.",
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
