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
use Jaunty\Core\Words\Listing;
use Jaunty\Core\Words\Message;

/** An extension outside the ranges of its site. */
final readonly class OutsideRange implements Rule
{
    public function about(): About
    {
        return new About(
            'extensions.outside-range',
            Severity::Note,
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
                    [
                        'extension' => $user->extension,
                        'user' => $user->label(),
                        'site' => $site->name,
                        'ranges' => Listing::of(array_map(static fn (array $range): Message => new Message(
                            'range',
                            ['from' => $range['from'], 'to' => $range['to']],
                        ), $site->extensionRanges)),
                    ],
                    $user,
                    $site,
                )->at('extension');
            }
        }
    }
}
