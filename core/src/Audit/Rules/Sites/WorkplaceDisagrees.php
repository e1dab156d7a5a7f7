<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Sites;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Book\Workplace;

/** A plan shows somebody where they are not, by everything else that is known of them. */
final readonly class WorkplaceDisagrees implements Rule
{
    public function about(): About
    {
        return new About('sites.workplace-disagrees', Severity::Warning);
    }

    public function check(Inspection $inspection): iterable
    {
        $first = [];
        foreach ($inspection->book->all(Site::class) as $site) {
            $floors = array_column($site->floors, 'name', 'item');
            foreach ($site->workplaces as $place) {
                $user = $inspection->find($place->who, User::class);
                $found = self::found($site, $place, $floors[$place->floor] ?? null, $user, $first);
                if ($found !== null) {
                    yield $found;
                }
                if ($user !== null) {
                    $first[$user->key] ??= $site->name;
                }
            }
        }
    }

    /**
     * What is worst of one workplace; null where all agrees.
     *
     * @param  ?string  $floor  its name; null where the site has none of that item
     * @param  array<string, string>  $first  the site of a workplace before, by the user's key
     */
    private static function found(Site $site, Workplace $place, ?string $floor, ?User $user, array $first): ?Found
    {
        $at = "workplaces/{$place->item}";
        $room = $place->room ?? $place->item;
        if ($floor === null) {
            return Found::of(['site' => $site->name, 'room' => $room, 'floor' => $place->floor], $site)
                ->saying('floor')->at("{$at}/floor", $place->item);
        }
        if ($user === null) {
            return null;
        }
        $with = ['user' => $user->label(), 'site' => $site->name, 'room' => $room, 'floor' => $floor];
        if ($user->status === UserStatus::Leaver || $user->site?->equals(Reference::of($site)) !== true) {
            return Found::of($with, $site, $user)
                ->saying($user->status === UserStatus::Leaver ? 'left' : 'elsewhere')->at("{$at}/who", $place->item)
                ->fixedBy(Fix::set('Leave the place free', $site, "{$at}/who", null));
        }
        if (isset($first[$user->key])) {
            return Found::of($with + ['other' => $first[$user->key]], $site, $user)->saying('twice')
                ->at("{$at}/who", $place->item)->fixedBy(Fix::set('Leave the place free', $site, "{$at}/who", null));
        }
        $says = [$user->emergency['floor'], $user->emergency['room']];
        $isThere = in_array($says[0], [$floor, $place->floor], true) && $says[1] === $place->room;

        return $isThere || $user->emergency['address'] !== null ? null : Found::of(
            $with + ['says' => implode(', ', array_filter($says, static fn (?string $each): bool => $each !== null))],
            $user,
            $site,
        )->saying($says === [null, null] ? 'untold' : 'differs')->at('emergency/floor')->fixedBy(Fix::of(
            'Tell help services what the plan shows',
            ...in_array($says[0], [$floor, $place->floor], true)
                ? []
                : [Fix::setting($user, 'emergency/floor', $floor)],
            ...$says[1] === $place->room ? [] : [Fix::setting($user, 'emergency/room', $place->room)],
        ));
    }
}
