<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Words\Day;

/** An emergency address that the carrier does not know. */
final readonly class AddressUnknown implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.address-unknown',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Site::class) as $site) {
            $check = $inspection->surroundings?->addressOf($site);
            if ($check?->verdictOn($site) === 'unknown') {
                yield Found::of(
                    ['site' => $site->name, 'on' => new Day($check->on), 'remark' => $check->remark],
                    $site,
                )->at('address/street');
            }
        }
    }
}
