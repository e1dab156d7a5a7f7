<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Places\StreetAndFloor;

/** A floor typed into the street. */
final readonly class FloorInStreet implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.floor-in-street',
            Severity::Warning,
            'common practice; NENA civic address fields keep floor and unit apart from the street',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Site::class) as $site) {
            $split = StreetAndFloor::of((string) ($site->address['street'] ?? ''));
            if ($split !== null) {
                $found = Found::of(['site' => $site->name, 'found' => $split->floor], $site)->at('address/street');
                yield $split->isFloor && $split->street !== ''
                    ? $found->fixedBy(self::apart($inspection, $site, $split))
                    : $found;
            }
        }
    }

    /** The floor becomes one of the site, and of everybody there of whom nothing closer is known. */
    private static function apart(Inspection $inspection, Site $site, StreetAndFloor $split): Fix
    {
        $changes = [Fix::setting($site, 'address/street', $split->street)];
        $known = array_map(mb_strtolower(...), array_column($site->floors, 'name'));
        $at = array_search(mb_strtolower($split->floor), $known, true);
        $name = $at === false ? $split->floor : $site->floors[$at]['name'];
        if ($at === false) {
            $items = array_column($site->floors, 'item');
            $no = count($items) + 1;
            while (in_array("floor-{$no}", $items, true)) {
                $no++;
            }
            $changes[] = Fix::setting($site, 'floors', [...$site->floors, ['item' => "floor-{$no}", 'name' => $name]]);
        }
        foreach ($inspection->book->all(User::class) as $user) {
            if (
                $user->site?->equals(Reference::of($site)) === true
                && $user->emergency['floor'] === null
                && $user->emergency['room'] === null
                && $user->emergency['address'] === null
            ) {
                $changes[] = Fix::setting($user, 'emergency/floor', $name);
            }
        }

        return Fix::of('Enter it apart, for whoever sits there', ...$changes);
    }
}
