<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Names;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Book\User;

/**
 * What somebody meant who typed a name, an extension, digits or a word where a book has a reference. Each way of
 * calling an object is asked of all of them before the next, so what is written just like one is that one, however many
 * begin so.
 */
final class Meant
{
    /** Fewer digits are an extension or a name. */
    private const LEAST_DIGITS = 7;

    private const MOST_NAMED = 3;

    private const BY_NAME = 0;

    private const BY_EXTENSION = 1;

    private const BY_KEY = 2;

    /** The word that screens put before a number that is no object's. */
    private const OUTSIDE = '/^\s*outside\s+(?=[+\d])/i';

    private const LOOKS_LIKE_A_NUMBER = '/^\+?[\d\s()\/.\x{2010}-\x{2015}-]+$/uD';

    /** @var ?array<int, array<string, array<string, BookObject>>> by spelling, the plainest way of calling first */
    private ?array $spellings = null;

    public function __construct(private Book $book)
    {
    }

    /** From now on it is about a book in which one object is another one, is new or is gone. */
    public function follow(Book $book, Reference $changed): void
    {
        if ($this->spellings !== null) {
            foreach ($this->called($this->book->find($changed)) as [$way, $spelling]) {
                unset($this->spellings[$way][$spelling][(string) $changed]);
            }
            foreach ($this->called($book->find($changed)) as [$way, $spelling, $object]) {
                $this->spellings[$way][$spelling][(string) $changed] = $object;
            }
        }
        $this->book = $book;
    }

    /**
     * @param  string  $path  of the field, for what is wrong
     * @param  list<Kind>  $kinds  of objects that may be meant
     * @param  bool  $isDestination  whether an outside number is an answer too
     * @param  bool  $hasWords  whether the words of destinations are
     * @return string a reference, a word, or `outside:` with the number as it was typed
     *
     * @throws UnusableBook
     */
    public function read(string $path, string $typed, array $kinds, bool $isDestination, bool $hasWords): string
    {
        if ($this->stands($typed)) {
            return $typed;
        }
        $typed = trim((string) preg_replace(self::OUTSIDE, '', $typed));
        $text = mb_strtolower($typed);
        $word = array_search($text, Destination::WORDS, true);
        if ($hasWords && $word !== false) {
            return $word;
        }
        $this->spellings ??= $this->gathered();
        foreach ($this->spellings as $called) {
            $found = array_filter(
                $called[$text] ?? [],
                static fn (BookObject $object): bool => in_array($object->kind(), $kinds, true),
            );
            if ($found !== []) {
                return $this->only($path, $typed, array_values($found));
            }
        }
        if (preg_match(self::LOOKS_LIKE_A_NUMBER, $text) === 1) {
            $own = $this->ownNumber($text);
            if ($own !== null && in_array(Kind::Number, $kinds, true)) {
                return (string) Reference::of($own);
            }
            if ($isDestination && self::digits($text) >= self::LEAST_DIGITS) {
                return $own === null
                    ? "outside:{$typed}"
                    : throw UnusableBook::unclear(
                        $path,
                        $typed . ' is a number of this customer; say where its calls go instead',
                    );
            }
        }
        $begun = [];
        foreach ($text === '' ? [] : $this->spellings[self::BY_NAME] as $spelling => $called) {
            // A spelling of digits alone is a whole number to an array.
            if (str_starts_with((string) $spelling, $text)) {
                $begun += array_filter(
                    $called,
                    static fn (BookObject $object): bool => in_array($object->kind(), $kinds, true),
                );
            }
        }

        return $begun === []
            ? throw UnusableBook::unclear($path, 'nothing here is called "' . $typed . '"')
            : $this->only($path, $typed, array_values($begun));
    }

    /** Whether it stands in books as it is, or would if it were there: a mistake in it is for the book to name. */
    private function stands(string $typed): bool
    {
        $kind = strstr($typed, ':', true);

        return isset(Destination::WORDS[$typed]) || $kind === 'outside'
            || is_string($kind) && Kind::tryFrom($kind) !== null;
    }

    /** @param non-empty-list<BookObject> $found */
    private function only(string $path, string $typed, array $found): string
    {
        if (count($found) === 1) {
            return (string) Reference::of($found[0]);
        }
        $labels = array_map(
            static fn (BookObject $object): string => $object->label(),
            array_slice($found, 0, self::MOST_NAMED),
        );

        throw UnusableBook::unclear($path, '"' . $typed . '" may be ' . implode(' or ', $labels) . '; say more');
    }

    /** @return array<int, array<string, array<string, BookObject>>> */
    private function gathered(): array
    {
        $by = [self::BY_NAME => [], self::BY_EXTENSION => [], self::BY_KEY => []];
        foreach ($this->book->objects() as $object) {
            foreach ($this->called($object) as [$way, $spelling]) {
                $by[$way][$spelling][(string) Reference::of($object)] = $object;
            }
        }

        return $by;
    }

    /** @return list<array{int, string, BookObject}> every way an object can be called, and how it is called so */
    private function called(?BookObject $object): array
    {
        if ($object === null) {
            return [];
        }
        $extension = $object->extension();
        $said = [
            [self::BY_NAME, $object->label()],
            [self::BY_NAME, (new Names($this->book))->of($object)],
            ...$extension === null ? [] : [
                [self::BY_EXTENSION, $extension],
                [self::BY_EXTENSION, "{$extension} {$object->label()}"],
            ],
            [self::BY_KEY, $object->key()],
            ...$object instanceof User ? self::calledAsPeopleAre($object) : [],
        ];

        return array_map(static fn (array $each): array => [$each[0], mb_strtolower($each[1]), $object], $said);
    }

    /** @return list<array{int, string}> as address books and mails have a person */
    private static function calledAsPeopleAre(User $user): array
    {
        [$first, $last] = [$user->name['first'] ?? '', $user->name['last'] ?? ''];

        return [
            ...$first === '' || $last === '' ? [] : [[self::BY_NAME, "{$last}, {$first}"]],
            ...$user->email === null ? [] : [[self::BY_KEY, $user->email]],
        ];
    }

    /** A number of the customer's, its country code or a digit before an area written or not. */
    private function ownNumber(string $text): ?Number
    {
        $digits = (string) preg_replace('/\D/', '', $text);
        foreach ($this->book->all(Number::class) as $number) {
            $own = substr($number->key, 1);
            if ($digits === $own || (
                ! str_starts_with($text, '+')
                && strlen($digits) >= self::LEAST_DIGITS
                && str_ends_with($own, (string) preg_replace('/^0/', '', $digits))
            )) {
                return $number;
            }
        }

        return null;
    }

    private static function digits(string $text): int
    {
        return strlen((string) preg_replace('/\D/', '', $text));
    }
}
