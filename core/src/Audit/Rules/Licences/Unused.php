<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Licences;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/** Licences that nobody uses. */
final readonly class Unused implements Rule
{
    public function about(): About
    {
        return new About(
            'licences.unused',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $used = array_count_values(array_map(static fn (User $user): string => $user->licence, array_filter(
            $inspection->book->all(User::class),
            static fn (User $user): bool => $user->status !== UserStatus::Leaver,
        )));
        foreach ($inspection->book->tenant->licences as $licence => $count) {
            $left = $count - ($used[$licence] ?? 0);
            if ($left > 0) {
                yield Found::of(
                    ['left' => $left, 'licence' => $licence, 'count' => $count],
                    $inspection->book->tenant,
                )->at('licences', (string) $licence)->counting($left);
            }
        }
    }
}
