<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;

/** A rule for callers behind one that takes them all. */
final readonly class CallerRuleDead implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.caller-rule-dead',
            Severity::Warning,
            'A rule for callers comes after one for anyone.',
            'It never holds: the first that fits does.',
            'Move the rule for anyone to the end.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Number::class) as $number) {
            $anyone = array_search('anyone', array_column($number->callerRules, 'callers'), true);
            $dead = $anyone === false ? [] : array_slice($number->callerRules, (int) $anyone + 1);
            if ($dead !== []) {
                yield Finding::of($this->about(), "{$inspection->name($number)}: " . (count($dead) === 1 ? 'a rule for callers never holds' : count($dead) . ' rules for callers never hold'), 'A rule for anyone stands before.', $number)->at('callerRules')->counting(count($dead))
                    ->fixedBy(Fix::of(count($dead) === 1 ? 'Take it out' : 'Take them out', Fix::leavingOut($number, 'callerRules', ...array_column($dead, 'item'))));
            }
        }
    }

    public function samples(): Samples
    {
        $anyone = ['item' => 'all', 'callers' => 'anyone', 'then' => 'mailbox:desk'];
        $some = ['item' => 'known', 'callers' => '1902xxxxxxx', 'then' => 'mailbox:desk'];
        $number = static fn (array ...$rules): array => ['key' => Samples::NUMBER, 'destination' => 'mailbox:desk', 'callerRules' => array_values($rules)];

        return Samples::of(['mailboxes' => [['key' => 'desk']], 'numbers' => [$number($some, $anyone)]], ['numbers' => [$number($anyone, $some)]]);
    }
}
