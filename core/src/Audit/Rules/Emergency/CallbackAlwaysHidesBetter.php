<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\CallbackUse;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;

/** One callback number shown for people who have numbers of their own. */
final readonly class CallbackAlwaysHidesBetter implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.callback-always-hides-better',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Site::class) as $site) {
            $number = static fn (User $user): ?Number => $inspection->find($user->callerId, Number::class);
            // What would be shown of them instead, and only where that rings them at every hour.
            $own = array_values(array_filter(
                $inspection->book->all(User::class),
                static fn (User $user): bool => $user->site?->equals(Reference::of($site)) === true
                    && $number($user)?->key !== $site->emergency->callback?->key
                    && $number($user)?->destination?->object?->equals(Reference::of($user)) === true
                    && $inspection->isAlwaysAnswered($number($user)),
            ));
            if (
                $site->emergency->callback !== null
                && $site->emergency->callbackUse === CallbackUse::Always
                && $own !== []
            ) {
                yield Found::of(
                    ['site' => $site->name, 'own' => $inspection->names->several($own)],
                    $site,
                )->at('emergency/callbackUse')->counting(count($own))
                    ->fixedBy(Fix::set(
                        'Show it for whoever has none',
                        $site,
                        'emergency/callbackUse',
                        CallbackUse::WhenNone->value,
                    ));
            }
        }
    }
}
