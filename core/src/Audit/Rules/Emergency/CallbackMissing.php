<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Words\Message;

/** No number is shown when somebody calls for help. */
final readonly class CallbackMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.callback-missing',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Site::class) as $site) {
            $people = array_filter(
                $inspection->usesOf($site),
                static fn (array $use): bool => $use[0] instanceof User
                    && $use[0]->callerId === null
                    && $use[0]->status === UserStatus::Active
                    && $use[0]->legs !== [],
            );
            $callback = $inspection->find($site->emergency->callback, Number::class);
            $isThere = $callback === null || $callback->enabled && in_array(
                $callback->status,
                [NumberStatus::Active, NumberStatus::Temporary, NumberStatus::PortingOut],
                true,
            );
            if ($callback !== null && ! $isThere) {
                $as = $callback->enabled ? $callback->status->value : 'off';
                yield Found::of(
                    [
                        'site' => $site->name,
                        'callback' => $inspection->names->said($callback),
                        'as' => $as,
                        'status' => new Message("number/{$callback->status->value}"),
                    ],
                    $site,
                    $callback,
                )->at('emergency/callback');
            }
            if ($site->emergency->callback === null && $people !== []) {
                yield Found::of(
                    [
                        'site' => $site->name,
                        'people' => $inspection->names->several(array_column(array_values($people), 0)),
                    ],
                    $site,
                )->saying('none')->at('emergency/callback')->counting(count($people));
            }
        }
    }
}
