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

/** A user on a floor that the site has not. */
final readonly class FloorUnknown implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.floor-unknown',
            Severity::Warning,
            'A user is said to be on a floor that their site does not have.',
            'It counts as a place where help can go, and there is none.',
            'Choose one of the site\'s floors, or add it.',
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
                    "{$user->label()} is on \"{$floor}\", and {$site->name} has no such floor",
                    'It has ' . implode(', ', array_column($site->floors, 'name')) . '.',
                    $user,
                    $site,
                )->at('emergency/floor');
            }
        }
    }
}
