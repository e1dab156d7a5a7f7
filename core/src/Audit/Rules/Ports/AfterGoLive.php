<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Ports;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Stage;
use Jaunty\Core\Words\Day;

/** A customer is in service while their main number is still with the old carrier. */
final readonly class AfterGoLive implements Rule
{
    public function about(): About
    {
        return new About(
            'ports.after-go-live',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $tenant = $inspection->book->tenant;
        $main = $inspection->find($tenant->mainNumber, Number::class);
        $isCovered = $main !== null && (
            $main->carrierDiversion !== null || array_filter(
                $inspection->book->all(Number::class),
                static fn (Number $number): bool => $number->status === NumberStatus::Temporary
                    && (string) $number->replaces === (string) Reference::of($main),
            ) !== []
        );
        if (
            $main !== null
            && $main->status === NumberStatus::PortingIn
            && $tenant->state === Stage::InService
            && ! $isCovered
        ) {
            yield Found::of(
                [
                    'main' => $inspection->names->said($main),
                    'from' => $main->from === null ? 'none' : new Day($main->from),
                ],
                $main,
            )->at('from');
        }
    }
}
