<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\User;

/** Users who send their calls to one another. */
final readonly class ForwardLoop implements Rule
{
    public function about(): About
    {
        return new About(
            'users.forward-loop',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $next = [];
        foreach ($inspection->book->all(User::class) as $user) {
            $to = $inspection->find($user->open->treatments['always']?->outside, User::class);
            if ($to !== null) {
                $next[$user->key] = [$user, $to->key];
            }
        }
        foreach ($next as $key => [$user, $to]) {
            $way = [$key => $user];
            while (isset($next[$to]) && ! isset($way[$to])) {
                $way[$to] = $next[$to][0];
                $to = $next[$to][1];
            }
            // Told once, at the first by name of those in the round.
            if ($to === $key && min(array_keys($way)) === $key) {
                yield Found::of(
                    ['way' => $inspection->names->several(array_values($way))],
                    ...array_values($way),
                )->at('handling/open/always');
            }
        }
    }
}
