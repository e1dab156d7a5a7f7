<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Words\Listing;

/** A user on a floor that the site has not. */
final readonly class FloorUnknown implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.floor-unknown',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(User::class) as $user) {
            $site = $inspection->find($user->site, Site::class);
            $floor = $user->emergency['floor'];
            if ($site !== null && $site->floors !== [] && ($floor ?? '') !== '' && ! in_array(
                $floor,
                [...array_column($site->floors, 'item'), ...array_column($site->floors, 'name')],
                true,
            )) {
                yield Found::of(
                    [
                        'user' => $user->label(),
                        'floor' => (string) $floor,
                        'site' => $site->name,
                        'floors' => Listing::of(array_column($site->floors, 'name')),
                    ],
                    $user,
                    $site,
                )->at('emergency/floor');
            }
        }
    }
}
