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

/** A site with telephones and no address to send help to. */
final readonly class AddressMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.address-missing',
            Severity::Blocker,
            'A site with telephones has no address for emergency calls.',
            'Help cannot be sent where nobody knows the place.',
            'Enter street and town as the fire service knows them.',
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
                    "{$site->name}: no address for emergency calls",
                    ucfirst(implode(
                        ' and ',
                        array_map(static fn (string $field): string => $field === 'city' ? 'town' : $field, $missing),
                    )) . ' missing; ' . ($people === 1 ? '1 user sits' : "{$people} users sit") . ' there.',
                    $site,
                )
                    ->at("address/{$missing[0]}")->counting($people);
            }
        }
    }
}
