<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Numbering\E164;

/** Help services are shown a number of another site, or of another country, than where the caller is. */
final readonly class CallbackElsewhere implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.callback-elsewhere',
            Severity::Error,
            'People at a site show help services a number of another site or country.',
            'The call may be led to the help services of the other place, and whoever calls back reaches people who '
                . 'are not there.',
            'Show a number of the site: its callback number, always.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->callbackNumbers() as $shown) {
            $number = $shown->number;
            $home = $inspection->find($number->site, Site::class);
            foreach ($shown->sites() as $site) {
                $country = $site->address['country'] ?? null;
                $of = E164::parse($number->key);
                $isAbroad = $country !== null && $of->isValid() && $of->region() !== $country;
                if (! $isAbroad && ($home === null || $home->key === $site->key)) {
                    continue;
                }
                $users = array_values(array_filter(
                    $shown->users,
                    static fn (User $user): bool => $user->site?->equals(Reference::of($site)) === true,
                ));
                $whose = $home !== null && $home->key !== $site->key
                    ? "which is of {$home->name}"
                    : "which is of another country ({$of->region()})";
                yield Found::of(
                    "{$site->name}: help services are shown {$inspection->names->of($number)}, {$whose}",
                    "It is shown of {$inspection->names->listed($users)}.",
                    $site,
                    $number,
                )
                    ->at('emergency/callbackUse')->counting(count($users))->fixedBy(
                        $inspection->showingCallbackOf($site, $number),
                    );
            }
        }
    }
}
