<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\NameMatch;
use Jaunty\Core\Book\NameOrder;
use Jaunty\Core\Book\NameScope;
use Jaunty\Core\Book\User;

/**
 * Dial by name: whom a menu's directory lists, and whom keys mean. Letters lie on keys as ITU-T E.161 puts them; 0 is a
 * space.
 */
final readonly class NameDirectory
{
    /** Seconds for the letters of one try, and for choosing from a list that was read. */
    public const TRY_SECONDS = 10;

    public const TRIES = 3;

    /** More cannot be chosen by one key. */
    public const LONGEST_LIST = 9;

    /** By ITU-T E.161 (02/2001), option A. */
    private const LETTERS = [
        '2' => 'abc', '3' => 'def', '4' => 'ghi', '5' => 'jkl', '6' => 'mno', '7' => 'pqrs', '8' => 'tuv',
        '9' => 'wxyz', '0' => ' ',
    ];

    /**
     * @param array<string, list<string>> $codes the ways to spell each user who is listed, by `user:key`, as the list
     *     is read
     */
    private function __construct(private array $codes, private NameMatch $match)
    {
    }

    /** @param ?Menu $menu unset: all, by either name, from a beginning */
    public static function of(CallBook $book, ?Menu $menu): self
    {
        $book->reads(CallBook::PEOPLE);
        $codes = [];
        foreach (self::asRead($book->users()) as $user) {
            if ($user->directory['listed'] && ($menu === null || self::lists($book, $menu, $user))) {
                $codes["user:{$user->key}"] = self::spellings(
                    $user,
                    $menu === null ? NameOrder::Either : $menu->dialByName['by'],
                );
            }
        }

        return new self(
            array_filter($codes, static fn (array $spellings): bool => $spellings !== []),
            $menu === null ? NameMatch::Partial : $menu->dialByName['match'],
        );
    }

    /** @return list<string> everybody who can be reached by name */
    public function listed(): array
    {
        return array_keys($this->codes);
    }

    /** @return list<string> whom the keys mean, as the list is read */
    public function meant(string $keys): array
    {
        $fits = fn (string $code): bool => $this->match === NameMatch::Whole
            ? $code === $keys
            : str_starts_with($code, $keys);

        return $keys === ''
            ? []
            : array_keys(
                array_filter($this->codes, static fn (array $codes): bool => array_filter($codes, $fits) !== []),
            );
    }

    /**
     * @return list<list<string>> those whose whole name, as the menu asks for it, is spelt by the same keys: more than
     *     one each
     */
    public function alike(): array
    {
        $byCode = [];
        foreach ($this->codes as $user => $codes) {
            // By either name the whole name counts: that two people share a first name is no surprise.
            $byCode[count($codes) > 2 ? $codes[count($codes) - 1] : $codes[0]][] = $user;
        }

        return array_values(array_filter($byCode, static fn (array $users): bool => count($users) > 1));
    }

    /**
     * @return ?list<string> keys that reach somebody: the name, #, and the place in the list where others are meant
     *     too; null for nobody's way
     */
    public function keysTo(string $user): ?array
    {
        foreach ($this->codes[$user] ?? [] as $code) {
            $meant = $this->meant($code);
            if (count($meant) === 1) {
                return [...str_split($code), '#'];
            }
            $place = array_search($user, array_slice($meant, 0, self::LONGEST_LIST), true);
            if ($place !== false) {
                return [...str_split($code), '#', (string) ((int) $place + 1)];
            }
        }

        return null;
    }

    /** @return ?string the fewest keys that mean nobody else, # left out; null where others are always meant too */
    public function fewestKeysTo(string $user): ?string
    {
        $codes = $this->codes[$user] ?? [];
        usort($codes, static fn (string $one, string $other): int => strlen($one) <=> strlen($other));
        $best = null;
        foreach ($codes as $code) {
            for (
                $length = $this->match === NameMatch::Whole ? strlen($code) : 1;
                $length <= strlen($code) && ($best === null || $length < strlen($best));
                $length++
            ) {
                if ($this->meant(substr($code, 0, $length)) === [$user]) {
                    $best = substr($code, 0, $length);
                }
            }
        }

        return $best;
    }

    /** The keys that spell a name; what lies on no key is left out, accents are written without. */
    public static function code(string $name): string
    {
        $apart = \Normalizer::normalize($name, \Normalizer::FORM_D);
        $plain = mb_strtolower((string) preg_replace('/\p{Mn}+/u', '', is_string($apart) ? $apart : $name));
        $code = '';
        foreach (mb_str_split($plain) as $letter) {
            foreach (self::LETTERS as $key => $letters) {
                $code .= str_contains($letters, $letter) ? $key : '';
            }
        }

        return $code;
    }

    /**
     * A list of people is read by last name, first name and extension: their order in the book is nobody's business.
     *
     * @param  list<User>  $users
     * @return list<User>
     */
    private static function asRead(array $users): array
    {
        usort(
            $users,
            static fn (User $a, User $b): int => [
                $a->name['last'] ?? '',
                $a->name['first'] ?? '',
                $a->extension ?? '',
            ] <=> [$b->name['last'] ?? '', $b->name['first'] ?? '', $b->extension ?? ''],
        );

        return $users;
    }

    private static function lists(CallBook $book, Menu $menu, User $user): bool
    {
        return match ($menu->dialByName['scope']) {
            NameScope::Off => false,
            NameScope::All => true,
            NameScope::Site => $menu->site !== null
                && $user->site !== null
                && (string) $user->site === (string) $menu->site,
            NameScope::Groups => self::isMember($book, $menu, $user),
        };
    }

    private static function isMember(CallBook $book, Menu $menu, User $user): bool
    {
        foreach ($menu->dialByName['groups'] as $group) {
            foreach ($book->get((string) $group, Group::class)->members as $member) {
                if ((string) $member->who === "user:{$user->key}") {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return list<string> */
    private static function spellings(User $user, NameOrder $by): array
    {
        [$first, $last] = [self::code($user->name['first'] ?? ''), self::code($user->name['last'] ?? '')];
        $spellings = match ($by) {
            NameOrder::First => [$first, "{$first}0{$last}"],
            NameOrder::Last => [$last, "{$last}0{$first}"],
            NameOrder::Either => [$first, $last, "{$first}0{$last}", "{$last}0{$first}"],
        };

        return array_values(array_unique(array_filter(
            $spellings,
            static fn (string $code): bool => trim($code, '0') !== ''
                && ! str_starts_with($code, '0')
                && ! str_ends_with($code, '0'),
        )));
    }
}
