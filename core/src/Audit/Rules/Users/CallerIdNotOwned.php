<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;

/** Somebody shows a number that is not the customer's, not yet or no more. */
final readonly class CallerIdNotOwned implements Rule
{
    public function about(): About
    {
        return new About(
            'users.caller-id-not-owned',
            Severity::Error,
            'A user shows a number when calling that is not in the customer\'s hands.',
            'Carriers refuse or replace it, and whoever calls back reaches somebody else.',
            'Show a number that is in service.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(User::class) as $user) {
            $number = $inspection->find($user->callerId, Number::class);
            $isOurs = in_array(
                $number?->status,
                [null, NumberStatus::Active, NumberStatus::Temporary, NumberStatus::PortingOut],
                true,
            );
            if ($number !== null && ! $isOurs) {
                $main = $inspection->find($inspection->book->tenant->mainNumber, Number::class);
                yield Found::of(
                    "{$user->label()} shows {$inspection->names->of($number)}, which is not in service",
                    'It stands in the book as ' . preg_replace('/([A-Z])/', ' $0', $number->status->value) . '.',
                    $user,
                    $number,
                )->at('callerId')
                    ->fixedBy(
                        $main === null || $main->status !== NumberStatus::Active
                        ? null
                        : Fix::set("Show {$inspection->names->of($main)}", $user, 'callerId', (string) Reference::of(
                            $main,
                        )),
                    );
            }
        }
    }
}
