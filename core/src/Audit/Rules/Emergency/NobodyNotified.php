<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;

/** Nobody at the site learns that somebody there called for help. */
final readonly class NobodyNotified implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.nobody-notified',
            Severity::Error,
            '47 CFR 9.16(b)(2), United States',
            countries: ['US'],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Site::class) as $site) {
            $people = count(
                array_filter($inspection->usesOf($site), static fn (array $use): bool => $use[0] instanceof User),
            );
            if ($people > 0 && $site->emergency->notify === []) {
                yield Found::of(
                    ['site' => $site->name, 'people' => $people],
                    $site,
                )->at('emergency/notify');
            }
        }
    }
}
