<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Site;

/** An emergency address that the carrier writes otherwise. */
final readonly class AddressBetter implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.address-better',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Site::class) as $site) {
            $check = $inspection->surroundings?->addressOf($site);
            if ($check?->verdictOn($site) === 'better') {
                $changes = [];
                foreach ($check->better as $part => $better) {
                    if ($better !== ($site->address[$part] ?? '')) {
                        $changes[] = Fix::setting($site, "address/{$part}", $better === '' ? null : $better);
                    }
                }
                yield Found::of(
                    ['site' => $site->name, 'better' => implode(', ', array_diff($check->better, ['']))],
                    $site,
                )->at('address/street')->fixedBy(Fix::of('Write it so', ...$changes));
            }
        }
    }
}
