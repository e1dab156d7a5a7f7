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

/** More users than licences. */
final readonly class Over implements Rule
{
    public function about(): About
    {
        return new About(
            'licences.over',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $used = array_count_values(array_map(static fn (User $user): string => $user->licence, array_filter(
            $inspection->book->all(User::class),
            static fn (User $user): bool => $user->status !== UserStatus::Leaver,
        )));
        foreach ($inspection->book->tenant->licences as $licence => $count) {
            if (($used[$licence] ?? 0) > $count && $count > 0) {
                yield Found::of(
                    ['used' => $used[$licence], 'licence' => $licence, 'count' => $count],
                    $inspection->book->tenant,
                )->at('licences', (string) $licence)->counting($used[$licence] - $count);
            }
        }
    }
}
