<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\PortSeen;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;

/** The book still waits for a number that is ours. */
final readonly class OursAlready implements Rule
{
    private const WAITING = [NumberStatus::PortingIn, NumberStatus::Ordered, NumberStatus::Reserved];

    public function about(): About
    {
        return new About('numbers.ours-already', Severity::Warning);
    }

    public function check(Inspection $inspection): iterable
    {
        $coming = array_merge(...array_map(
            static fn (PortSeen $port): array => $port->numbers,
            $inspection->surroundings->ports ?? [],
        ));
        foreach ($inspection->book->all(Number::class) as $number) {
            if (
                in_array($number->status, self::WAITING, true)
                && $inspection->surroundings?->stockOf($number)?->state === 'taken'
                && ! in_array($number->key, $coming, true)
            ) {
                yield Found::of(
                    ['number' => $inspection->names->said($number), 'status' => $number->status->value],
                    $number,
                )->at('status')
                    ->fixedBy(Fix::set('Put it in service', $number, 'status', NumberStatus::Active->value));
            }
        }
    }
}
