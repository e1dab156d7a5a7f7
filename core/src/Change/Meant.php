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

    /** The word that screens put before a number that is no object's. */
    private const OUTSIDE = '/^\s*outside\s+(?=[+\d])/i';

    private const LOOKS_LIKE_A_NUMBER = '/^\+?[\d\s()\/.\x{2010}-\x{2015}-]+$/uD';

    /** @var ?list<array<string, list<BookObject>>> objects by spelling, the plainest way of calling them first */
    private ?array $spellings = null;

    private readonly Names $names;

    public function __construct(private readonly Book $book)
    {
        $this->names = new Names($book);
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
        foreach ($this->spellings ??= $this->gathered() as $called) {
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
        foreach ($kinds as $kind) {
            foreach ($text === '' ? [] : $this->book->ofKind($kind) as $object) {
                if (str_starts_with(mb_strtolower($object->label()), $text)) {
                    $begun[] = $object;
                }
            }
        }

        return $begun === []
            ? throw UnusableBook::unclear($path, 'nothing here is called "' . $typed . '"')
            : $this->only($path, $typed, $begun);
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

    /** @return list<array<string, list<BookObject>>> */
    private function gathered(): array
    {
        $by = [[], [], [], []];
        foreach ($this->book->objects() as $object) {
            $extension = $object->extension();
            $ways = [
                [$object->label(), $this->names->of($object)],
                $extension === null ? [] : [$extension, "{$extension} {$object->label()}"],
                [$object->key()],
            ];
            foreach ($ways as $place => $said) {
                foreach (array_unique(array_map(mb_strtolower(...), $said)) as $spelling) {
                    $by[$place][$spelling][] = $object;
                }
            }
        }

        return $by;
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
