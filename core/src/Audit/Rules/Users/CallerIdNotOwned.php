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
use Jaunty\Core\Words\Message;

/** Somebody shows a number that is not the customer's, not yet or no more. */
final readonly class CallerIdNotOwned implements Rule
{
    public function about(): About
    {
        return new About(
            'users.caller-id-not-owned',
            Severity::Error,
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
                    [
                        'user' => $user->label(),
                        'number' => $inspection->names->said($number),
                        'status' => new Message("number/{$number->status->value}"),
                    ],
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
