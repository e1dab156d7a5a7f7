<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Extensions;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;

/** An extension outside the ranges of its site. */
final readonly class OutsideRange implements Rule
{
    public function about(): About
    {
        return new About(
            'extensions.outside-range',
            Severity::Note,
            'An extension lies outside the ranges of its site.',
            'The next person gets an extension that looks taken elsewhere, and directories are out of order.',
            'Give another, or widen the range.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(User::class) as $user) {
            $site = $inspection->find($user->site, Site::class);
            $inside = array_filter(
                $site->extensionRanges ?? [],
                static fn (array $range): bool => (int) $user->extension >= (int) $range['from']
                    && (int) $user->extension <= (int) $range['to']
                    && strlen((string) $user->extension) === strlen((string) $range['from']),
            );
            if ($site !== null && $site->extensionRanges !== [] && $user->extension !== null && $inside === []) {
                yield Found::of(
                    "{$user->extension} of {$user->label()} lies outside the ranges of {$site->name}",
                    'Its ranges are '
                        . implode(', ', array_map(
                            static fn (array $range): string => "{$range['from']} to {$range['to']}",
                            $site->extensionRanges,
                        ))
                        . '.',
                    $user,
                    $site,
                )->at('extension');
            }
        }
    }
}
