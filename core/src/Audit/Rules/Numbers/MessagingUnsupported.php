<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Line;
use Jaunty\Core\Book\Number;

/** Text messages are on for a number that cannot have them. */
final readonly class MessagingUnsupported implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.messaging-unsupported',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Number::class) as $number) {
            $line = $inspection->find($number->destination, Line::class);
            if ($number->messaging && (! $number->status->serves() || $line !== null)) {
                yield Found::of(
                    [
                        'number' => $inspection->names->said($number),
                        'serves' => $line === null ? 'nothing' : 'line',
                        'line' => $line->name ?? '',
                    ],
                    $number,
                )->at('messaging')
                    ->fixedBy(Fix::set('Switch text messages off there', $number, 'messaging', false));
            }
        }
    }
}
