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
use Jaunty\Core\Book\NumberStatus;

/** Text messages are on for a number that cannot have them. */
final readonly class MessagingUnsupported implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.messaging-unsupported',
            Severity::Warning,
            'Text messages are switched on for a number that is not in service, or that is a special line\'s.',
            'Messages to it are lost, and whoever sent them believes that they were read.',
            'Switch them off there, or put them on a number that people look after.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Number::class) as $number) {
            $line = $inspection->find($number->destination, Line::class);
            $isInService = in_array(
                $number->status,
                [NumberStatus::Active, NumberStatus::Temporary, NumberStatus::PortingOut],
                true,
            );
            if ($number->messaging && (! $isInService || $line !== null)) {
                yield Found::of(
                    "{$inspection->names->of($number)} takes text messages that nobody reads",
                    $line !== null ? "It is the number of {$line->name}." : 'It is not in service here.',
                    $number,
                )->at('messaging')
                    ->fixedBy(Fix::set('Switch text messages off there', $number, 'messaging', false));
            }
        }
    }
}
