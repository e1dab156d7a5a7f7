<?php

declare(strict_types=1);

namespace Jaunty\Core\Places;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/**
 * People whose calls for help may come from anywhere: they have an address of their own, or telephones that go where
 * they go and no place at a site that somebody named.
 */
final readonly class Elsewhere
{
    /** @return list<User> in the order of the book */
    public static function of(Book $book): array
    {
        $placed = [];
        foreach ($book->all(Site::class) as $site) {
            foreach ($site->workplaces as $place) {
                $placed[(string) $place->who] = true;
            }
        }

        return array_values(array_filter(
            $book->all(User::class),
            static fn (User $user): bool => $user->status === UserStatus::Active && (
                $user->emergency['address'] !== null
                || self::movesAbout($user)
                && $user->emergency['floor'] === null
                && $user->emergency['room'] === null
                && ! isset($placed[(string) Reference::of($user)])
            ),
        ));
    }

    /** Whether they have telephones of the house, and none of them stands anywhere. */
    private static function movesAbout(User $user): bool
    {
        $kinds = array_map(static fn (Leg $leg): LegKind => $leg->legKind, $user->legs);

        return ! in_array(LegKind::Desk, $kinds, true)
            && array_intersect(array_column($kinds, 'value'), [LegKind::Soft->value, LegKind::MobileApp->value]) !== [];
    }
}
