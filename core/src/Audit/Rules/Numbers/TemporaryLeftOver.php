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
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Words\Day;

/** A number lent until a port, still in use although the port is done. */
final readonly class TemporaryLeftOver implements Rule
{
    private const FURTHER_DAYS = 30;

    public function about(): About
    {
        return new About(
            'numbers.temporary-left-over',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $today = $inspection->day->number();
        foreach ($inspection->book->all(Number::class) as $number) {
            $ported = $number->status === NumberStatus::Temporary && $number->until === null
                ? $inspection->find($number->replaces, Number::class)
                : null;
            if ($ported === null || $ported->status !== NumberStatus::Active || (
                $ported->from !== null && LocalDate::parse($ported->from) > $today
            )) {
                continue;
            }
            $last = LocalDate::text($today + self::FURTHER_DAYS);
            yield Found::of(
                [
                    'number' => $inspection->names->said($number),
                    'ported' => $inspection->names->said($ported),
                    'from' => $ported->from === null ? 'none' : new Day($ported->from),
                ],
                $number,
                $ported,
            )->at('until')
                ->shownBy(['to' => $number->key, 'at' => gmdate('Y-m-d\TH:i:s\Z', $inspection->now)])
                ->fixedBy(Fix::set("Let it end on {$inspection->day->said($last)}", $number, 'until', $last));
        }
    }
}
