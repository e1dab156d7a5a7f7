<?php

declare(strict_types=1);

namespace Jaunty\Core\Sentences;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\ExtensionPlan;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Numbering\UnusableNumber;

/**
 * Whom and what a sentence can speak of, by all they are called.
 *
 * @internal
 */
final class Subjects
{
    private const MOST_WORDS = 6;

    /** Kinds the world says something about. */
    private const KINDS = [
        Kind::User, Kind::Group, Kind::Site, Kind::Trunk, Kind::SharedLine, Kind::Conference, Kind::ParkPlace,
        Kind::Device,
    ];

    /** The word before a name that says which kind is meant. */
    public const SAID_AS = [
        'site' => 'site', 'trunk' => 'trunk', 'group' => 'group', 'line' => 'sharedLine', 'room' => 'conference',
        'park' => 'parkPlace', 'telephone' => 'device',
    ];

    /** @var array<array-key, list<string>> references by spelling; more than one where it is not clear who is meant */
    private array $spellings = [];

    private readonly ExtensionPlan $extensions;

    public function __construct(private readonly Book $book)
    {
        $this->extensions = ExtensionPlan::of($book);
        foreach (self::KINDS as $kind) {
            foreach ($book->ofKind($kind) as $object) {
                foreach (array_unique($this->spellingsOf($object)) as $spelling) {
                    $this->spellings[$spelling][] = (string) Reference::of($object);
                }
            }
        }
    }

    /**
     * Takes the longest run of words that names somebody.
     *
     * @param  ?string  $kind  that is meant; unset: any
     * @return ?string a reference, `outside:+E164`, or null where nobody is named
     */
    public function take(Words $words, ?string $kind = null): ?string
    {
        for ($count = min(self::MOST_WORDS, $words->left()); $count > 0; $count--) {
            $said = $words->joined($count);
            $found = array_values(array_filter(
                $this->spellings[$said] ?? [],
                static fn (string $who): bool => $kind === null || str_starts_with($who, "{$kind}:"),
            ));
            if (count($found) > 1) {
                throw new UnreadableCall(
                    "\"{$said}\" may be " . implode(' or ', array_map(
                        fn (string $name): string => $this->book->find(Reference::parse($name))?->label() ?? $name,
                        array_slice($found, 0, 3),
                    )),
                    $words->at(),
                );
            }
            $who = $found[0] ?? ($kind === null ? $this->outside($said) : null);
            if ($who !== null) {
                $words->skip($count);

                return $who;
            }
        }

        return null;
    }

    /** Who answers to an extension. */
    public function holder(string $extension): ?BookObject
    {
        return $this->extensions->reached($extension);
    }

    /** Whether a word names just this one. */
    public function isClear(string $said, string $who): bool
    {
        return ($this->spellings[$said] ?? []) === [$who];
    }

    /** Takes whom is called: a number of the book, with or without its country, or an extension. */
    public function takeCalled(Words $words): ?string
    {
        if (in_array($words->word(), ['main', 'the'], true) && $this->book->tenant->mainNumber !== null) {
            $words->skip($words->joined(2) === 'main number' ? 2 : 1);

            return $this->book->tenant->mainNumber->key;
        }
        if ($this->isCode($words->word())) {
            $code = $words->word();
            $words->skip();

            return $code;
        }
        for ($count = min(self::MOST_WORDS, $words->left()); $count > 0; $count--) {
            $said = $words->joined($count);
            $number = preg_match('/^[+\d][\d ().-]*$/', $said) === 1 ? $this->ownNumber($said) : null;
            $holder = $number === null ? ($this->spellings[$said] ?? []) : [];
            $extension = $count === 1 && $this->extensions->reached($said) !== null
                ? $said
                : (count($holder) === 1 ? $this->book->find(Reference::parse($holder[0]))?->extension() : null);
            if ($number !== null || $extension !== null) {
                $words->skip($count);

                return $number ?? $extension;
            }
        }

        return null;
    }

    /** Whether a code of the customer's begins it and it is no extension. */
    private function isCode(string $said): bool
    {
        return preg_match('/^[0-9*#]+$/D', $said) === 1
            && $this->extensions->reached($said) === null
            && $this->book->tenant->features->codeOf($said) !== null;
    }

    public function outside(string $said): ?string
    {
        if (preg_match('/^\+?[\d ().-]{7,20}$/', $said) !== 1) {
            return null;
        }
        try {
            return 'outside:' . E164::given($said, $this->book->tenant->region, orFictional: true);
        } catch (UnusableNumber) {
            return null;
        }
    }

    private function ownNumber(string $said): ?string
    {
        $digits = (string) preg_replace('/\D/', '', $said);
        foreach ($this->book->ofKind(Kind::Number) as $number) {
            $own = substr($number->key(), 1);
            // The last seven digits and more tell a number; a national prefix 0 is not part of it.
            if ($digits === $own || (
                strlen($digits) >= 7 && ! str_starts_with($said, '+') && str_ends_with($own, ltrim($digits, '0'))
            )) {
                return $number->key();
            }
        }

        return null;
    }

    /** @return list<string> in small letters */
    private function spellingsOf(BookObject $object): array
    {
        $names = [$object->key(), $object->label(), (string) Reference::of($object), $object->extension() ?? ''];
        if ($object instanceof User) {
            array_push($names, (string) $object->name['first'], (string) $object->name['last']);
        }

        return array_values(array_filter(
            array_map(
                static fn (string $name): string => mb_strtolower(
                    trim((string) preg_replace('/[\s,;]+/u', ' ', $name)),
                ),
                $names,
            ),
            static fn (string $name): bool => $name !== '',
        ));
    }
}
