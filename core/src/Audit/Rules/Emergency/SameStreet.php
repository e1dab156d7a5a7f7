<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Site;

/** Two sites at one address. */
final readonly class SameStreet implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.same-street',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $seen = [];
        foreach ($inspection->book->all(Site::class) as $site) {
            $street = mb_strtolower(
                (string) preg_replace('/[\s.,]+/u', ' ', trim("{$site->address['street']} {$site->address['city']}")),
            );
            $first = $seen[$street] ?? null;
            if (($site->address['street'] ?? '') !== '' && $first !== null) {
                yield Found::of(
                    ['first' => $first->name, 'site' => $site->name],
                    $site,
                    $first,
                )->at('address/street');
            }
            $seen[$street] ??= $site;
        }
    }
}
