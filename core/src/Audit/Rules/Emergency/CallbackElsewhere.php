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
                $elsewhere = $home === null || $home->key === $site->key ? null : $home->name;
                yield Found::of(
                    [
                        'site' => $site->name,
                        'number' => $inspection->names->said($number),
                        'case' => $elsewhere === null ? 'abroad' : 'site',
                        'home' => $elsewhere ?? '',
                        'country' => $of->region(),
                        'users' => $inspection->names->several($users),
                    ],
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
