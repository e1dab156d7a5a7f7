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
use Jaunty\Core\Change\Operation;
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
        $main = $inspection->find($inspection->book->tenant->mainNumber, Number::class);
        $instead = $main?->status === NumberStatus::Active ? $main : null;
        $by = [];
        foreach ($inspection->book->all(User::class) as $user) {
            $number = $inspection->find($user->callerId, Number::class);
            $isOurs = in_array(
                $number?->status,
                [null, NumberStatus::Active, NumberStatus::Temporary, NumberStatus::PortingOut],
                true,
            );
            if ($number !== null && ! $isOurs) {
                $by[$number->key] ??= [$number, []];
                $by[$number->key][1][] = $user;
            }
        }
        foreach ($by as [$number, $users]) {
            yield self::found($inspection, $number, $users, $instead);
        }
    }

    /**
     * One for a number, however many show it: it is one port, or one mistake.
     *
     * @param  non-empty-list<User>  $users
     */
    private static function found(Inspection $inspection, Number $number, array $users, ?Number $instead): Found
    {
        $with = [
            'number' => $inspection->names->said($number),
            'status' => new Message("number/{$number->status->value}"),
        ];
        $fix = $instead === null ? null : Fix::of(
            "Show {$inspection->names->of($instead)}",
            ...array_map(
                static fn (User $user): Operation => Fix::setting(
                    $user,
                    'callerId',
                    (string) Reference::of($instead),
                ),
                $users,
            ),
        );

        return count($users) === 1
            ? Found::of($with + ['user' => $users[0]->label()], $users[0], $number)->at('callerId')->fixedBy($fix)
            : Found::of(
                $with + ['n' => count($users), 'users' => $inspection->names->several($users)],
                $number,
                ...$users,
            )->saying('many')->at('status')->counting(count($users))->fixedBy($fix);
    }
}
