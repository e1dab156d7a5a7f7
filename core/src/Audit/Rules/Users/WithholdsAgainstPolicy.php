<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\User;

/** Somebody's calls show no number, and nobody of the customer's may withhold theirs. */
final readonly class WithholdsAgainstPolicy implements Rule
{
    public function about(): About
    {
        return new About('users.withholds-against-policy', Severity::Warning);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->tenant->mayWithhold ? [] : $inspection->book->all(User::class) as $user) {
            if ($user->withholds) {
                yield Found::of(['user' => $user->label()], $user)->at('withholds')
                    ->fixedBy(Fix::set('Show their number', $user, 'withholds', false));
            }
        }
    }
}
