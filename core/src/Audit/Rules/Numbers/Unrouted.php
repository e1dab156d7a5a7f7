<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\CallerRule;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;

/** A number in service that leads nowhere. */
final readonly class Unrouted implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.unrouted',
            Severity::Blocker,
            About::MODEL,
            explains: ['flow.dead-end'],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Number::class) as $number) {
            $takesAll = array_filter(
                $number->callerRules,
                static fn (CallerRule $rule): bool => $rule->callers === 'anyone' && $rule->then !== null,
            ) !== [];
            if ($number->enabled && $number->destination === null && ! $takesAll && in_array(
                $number->status,
                [NumberStatus::Active, NumberStatus::Temporary],
                true,
            )) {
                yield Found::of(
                    ['number' => $inspection->names->said($number)],
                    $number,
                )->at('destination')
                    ->shownBy(['to' => $number->key, 'at' => gmdate('Y-m-d\TH:i:s\Z', $inspection->now)]);
            }
        }
    }
}
