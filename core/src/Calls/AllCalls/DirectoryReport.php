<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\NameScope;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\NameDirectory;

/** Who is reached by name from a menu and by which keys, who spell alike, and who is not reached and why. */
final readonly class DirectoryReport
{
    /**
     * @param  list<array{user: string, keys: string, place: ?int}>  $reached  as the list is read: the fewest keys
     *     before #, and the place in the list that is read where others are meant too
     * @param  list<list<string>>  $alike  users whose whole names are spelt by the same keys
     * @param  list<array{user: string, why: string}>  $left
     */
    private function __construct(public array $reached, public array $alike, public array $left)
    {
    }

    public static function of(CallBook $book, Menu $menu): self
    {
        $directory = NameDirectory::of($book, $menu);
        $reached = [];
        $left = [];
        foreach ($directory->listed() as $user) {
            $fewest = $directory->fewestKeysTo($user);
            $all = $fewest === null ? $directory->keysTo($user) : null;
            if ($fewest !== null) {
                $reached[] = ['user' => $user, 'keys' => $fewest, 'place' => null];
            } elseif ($all !== null) {
                $place = (int) array_pop($all);
                array_pop($all);
                $reached[] = ['user' => $user, 'keys' => implode('', $all), 'place' => $place];
            } else {
                $left[] = [
                    'user' => $user,
                    'why' => 'more than '
                        . NameDirectory::LONGEST_LIST
                        . ' are spelt alike, and one key cannot choose among so many',
                ];
            }
        }
        foreach ($book->users() as $user) {
            if (! in_array("user:{$user->key}", $directory->listed(), true)) {
                $left[] = ['user' => "user:{$user->key}", 'why' => self::why($user, $menu)];
            }
        }

        return new self($reached, $directory->alike(), $left);
    }

    private static function why(User $user, Menu $menu): string
    {
        return match (true) {
            ! $user->directory['listed'] => 'is not listed',
            NameDirectory::code(
                ($user->name['first'] ?? '') . ($user->name['last'] ?? ''),
            ) === '' => 'has no name that lies on keys',
            $menu->dialByName['scope'] === NameScope::Site => 'is at another site',
            $menu->dialByName['scope'] === NameScope::Groups => 'is in none of its groups',
            default => 'has no name of the kind it asks for',
        };
    }
}
