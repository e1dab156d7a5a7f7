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
use Jaunty\Core\Words\Listing;

/** A site with telephones and no address to send help to. */
final readonly class AddressMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.address-missing',
            Severity::Blocker,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Site::class) as $site) {
            $people = count(
                array_filter($inspection->usesOf($site), static fn (array $use): bool => $use[0] instanceof User),
            );
            $missing = array_values(array_filter(
                ['street', 'city'],
                static fn (string $field): bool => ($site->address[$field] ?? '') === '',
            ));
            if ($people > 0 && $missing !== []) {
                yield Found::of(
                    [
                        'site' => $site->name,
                        'missing' => Listing::ofMessages('address', $missing),
                        'people' => $people,
                    ],
                    $site,
                )
                    ->at("address/{$missing[0]}")->counting($people);
            }
        }
    }
}
