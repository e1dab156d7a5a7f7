<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\NameScope;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/** Dialling by name where nobody is listed. */
final readonly class NameScopeEmpty implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.name-scope-empty',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $listed = array_filter(
            $inspection->book->all(User::class),
            static fn (User $user): bool => $user->directory['listed']
                && $user->status === UserStatus::Active
                && $user->extension !== null,
        );
        foreach ($inspection->book->all(Menu::class) as $menu) {
            $empty = $menu->dialByName['scope'] === NameScope::Groups && $menu->dialByName['groups'] === []
                || $listed === [];
            if ($menu->dialByName['scope'] !== NameScope::Off && $empty) {
                yield Found::of(
                    ['menu' => $menu->name, 'listed' => $listed === [] ? 'nobody' : 'some'],
                    $menu,
                )->at('dialByName/scope');
            }
        }
    }
}
