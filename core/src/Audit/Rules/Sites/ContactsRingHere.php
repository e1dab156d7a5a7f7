<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Sites;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\SiteContact;
use Jaunty\Core\Words\Listing;

/** Everybody who is to be asked at a site is called by the very service that is out. */
final readonly class ContactsRingHere implements Rule
{
    public function about(): About
    {
        return new About('sites.contacts-ring-here', Severity::Note);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Site::class) as $site) {
            $apart = array_filter(
                $site->contacts,
                static fn (SiteContact $contact): bool => $inspection->book->find(
                    Reference::to(Kind::Number, $contact->phone),
                ) === null,
            );
            if ($site->contacts !== [] && $apart === []) {
                yield Found::of([
                    'site' => $site->name,
                    'contacts' => Listing::of(array_map(
                        static fn (SiteContact $contact): string => $contact->name,
                        $site->contacts,
                    )),
                ], $site)->at('contacts');
            }
        }
    }
}
