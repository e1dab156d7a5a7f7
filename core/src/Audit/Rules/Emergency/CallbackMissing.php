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

/** No number is shown when somebody calls for help. */
final readonly class CallbackMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.callback-missing',
            Severity::Error,
            'A site has no number to show to emergency services, or one that is not in the customer\'s hands, and '
                . 'people there who have none of their own.',
            'A call that breaks off cannot be called back.',
            'Name a number that rings people at the site.',
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
                $why = $callback->enabled ? 'stands as ' . self::words($callback->status) : 'is switched off';
                yield Found::of(
                    "{$site->name}: its callback number {$inspection->names->of($callback)} cannot be shown",
                    "It {$why}, so another number is shown instead, or none.",
                    $site,
                    $callback,
                )->at('emergency/callback');
            }
            if ($site->emergency->callback === null && $people !== []) {
                yield Found::of(
                    "{$site->name}: no number is shown to emergency services",
                    'No number of their own: '
                        . $inspection->names->listed(array_column(array_values($people), 0))
                        . '.',
                    $site,
                )->at('emergency/callback')->counting(count($people));
            }
        }
    }

    private static function words(NumberStatus $status): string
    {
        return strtolower((string) preg_replace('/([A-Z])/', ' $1', $status->value));
    }
}
