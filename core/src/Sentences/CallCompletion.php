<?php

declare(strict_types=1);

namespace Jaunty\Core\Sentences;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Features;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Numbering\E164;

/** What may come next in a call sentence. */
final class CallCompletion
{
    private const MOST = 8;

    private const PARTS = [
        'from' => 'who calls', 'press' => 'which keys', 'everybody' => 'one state of all',
        'platform out' => 'the switch is down', 'tomorrow' => 'when', 'sat' => 'when', 'sun' => 'when',
    ];

    /** @return list<array{text: string, says: string}> the whole sentence as it would read, and what the new part is */
    public static function of(string $typed, Book $book): array
    {
        $word = mb_strtolower((string) preg_replace('/^.*[\s,;]/su', '', $typed));
        $before = substr($typed, 0, strlen($typed) - strlen($word));
        $words = preg_split('/[\s,;]+/u', trim(mb_strtolower($before)), -1, PREG_SPLIT_NO_EMPTY);
        $last = is_array($words) && $words !== [] ? $words[count($words) - 1] : '';
        $choices = match (true) {
            $last === '' => self::called($book),
            $last === 'from' => ['withheld' => 'no number shown'] + self::people($book),
            $last === 'site' => self::names($book, Kind::Site),
            $last === 'everybody' => self::states('user'),
            default => self::after($before, $book),
        };
        $fitting = [];
        foreach ($choices as $text => $says) {
            if (
                $word === ''
                || str_starts_with(mb_strtolower((string) $text), $word)
                || str_contains(mb_strtolower($says), $word)
            ) {
                $fitting[] = ['text' => $before . $text, 'says' => $says];
            }
        }

        return array_slice($fitting, 0, self::MOST);
    }

    /** @return array<array-key, string> */
    private static function after(string $before, Book $book): array
    {
        // Whoever was just named lacks a state.
        $words = Words::of($before);
        $kind = null;
        $subjects = new Subjects($book);
        while (! $words->isAtEnd()) {
            $left = $words->left();
            try {
                $who = $words->word() === 'from' ? null : $subjects->take($words);
            } catch (UnreadableCall) {
                $who = null;
            }
            $kind = $who === null ? null : explode(':', $who)[0];
            $words->skip($words->left() === $left ? 1 : 0);
        }

        return ($kind === null || $kind === 'number' ? [] : self::states($kind)) + self::PARTS + self::people($book);
    }

    /** @return array<array-key, string> */
    private static function called(Book $book): array
    {
        $called = [];
        foreach ($book->ofKind(Kind::Number) as $number) {
            $called[E164::parse($number->key())->display()] = $number->label();
        }
        foreach (
            [
                Kind::User, Kind::Group, Kind::Attendant, Kind::SharedLine, Kind::Conference, Kind::ParkPlace,
                Kind::PageZone,
            ] as $kind
        ) {
            foreach ($book->ofKind($kind) as $object) {
                if ($object->extension() !== null) {
                    $called[$object->extension()] = $object->label();
                }
            }
        }
        foreach ($book->tenant->features->codes as $name => $code) {
            if ($code !== null) {
                $called[$code] = Features::CODES[$name];
            }
        }

        return $called;
    }

    /** @return array<array-key, string> */
    private static function people(Book $book): array
    {
        $people = [];
        foreach ($book->ofKind(Kind::User) as $user) {
            $people[$user->extension() ?? $user->key()] = $user->label();
        }

        return $people;
    }

    /** @return array<string, string> */
    private static function names(Book $book, Kind $kind): array
    {
        return array_column(
            array_map(static fn ($object): array => [$object->key(), $object->label()], $book->ofKind($kind)),
            1,
            0,
        );
    }

    /** @return array<string, string> */
    private static function states(string $kind): array
    {
        return array_fill_keys(States::of($kind), 'state');
    }
}
