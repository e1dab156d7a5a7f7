<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;

/** Text messages are on, and the network was not told what they are for. */
final readonly class MessagingUnregistered implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.messaging-unregistered',
            Severity::Warning,
            'common practice in North America: carriers drop texts of senders that are not registered',
            countries: ['US', 'CA'],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $around = $inspection->surroundings;
        if ($around === null) {
            return;
        }
        foreach ($inspection->book->all(Number::class) as $number) {
            $filed = $around->registrationOf($number, 'texting');
            if ($number->messaging && $number->status->serves() && $filed?->state !== 'shown') {
                yield Found::of(
                    [
                        'number' => $inspection->names->said($number),
                        'state' => $filed->state ?? 'none',
                        'remark' => $filed->remark ?? '',
                    ],
                    $number,
                )->at('messaging');
            }
        }
    }
}
