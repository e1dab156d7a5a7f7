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
use Jaunty\Core\Numbering\E164;

/** Somebody shows a number of another carrier's that nobody verified. */
final readonly class ShownNumberUnverified implements Rule
{
    public function about(): About
    {
        return new About(
            'users.shown-number-unverified',
            Severity::Error,
            'RFC 8588, section 4, with ATIS-1000074: a carrier vouches in full only for numbers that it knows to be '
                . 'the caller\'s',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $verified = array_fill_keys($inspection->surroundings->verified ?? [], true);
        foreach ($inspection->surroundings === null ? [] : $inspection->book->all(User::class) as $user) {
            if ($user->showsOutside !== null && ! isset($verified[$user->showsOutside])) {
                yield Found::of(
                    ['user' => $user->label(), 'number' => E164::parse($user->showsOutside)->display()],
                    $user,
                )->at('showsOutside')
                    ->fixedBy(Fix::set('Show a number that is here', $user, 'showsOutside', null));
            }
        }
    }
}
