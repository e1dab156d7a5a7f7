<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Words\Listing;

/** An emergency address without what a dispatcher needs to find it. */
final readonly class AddressIncomplete implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.address-incomplete',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Site::class) as $site) {
            $isThere = static fn (string $part): bool => ($site->address[$part] ?? '') !== '';
            $missing = array_values(array_filter(
                ['subdivision', 'postcode', 'country'],
                static fn (string $part): bool => ! $isThere($part),
            ));
            // Where nothing of it was entered, the customer writes addresses in two lines; where it was begun, it was
            // meant to be whole.
            if ($isThere('street') && $isThere('city') && $missing !== [] && count($missing) < 3) {
                yield Found::of(
                    ['site' => $site->name, 'missing' => Listing::ofMessages('address', $missing)],
                    $site,
                )->at("address/{$missing[0]}");
            }
        }
    }
}
