<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Words\Listing;
use Jaunty\Core\Words\Message;

/** What people call the things of a book, in sentences. */
final readonly class Names
{
    public function __construct(private Book $book)
    {
    }

    /** An object, a number as it is dialled, or a word of destinations. */
    public function of(Reference|Destination|BookObject|string|null $what): string
    {
        if ($what instanceof BookObject) {
            return $what instanceof Number ? E164::parse($what->key)->display() : $what->label();
        }
        $text = (string) $what;
        if (str_starts_with($text, 'outside:')) {
            return E164::parse(substr($text, strlen('outside:')))->display();
        }
        [$kind] = explode(':', $text);
        $object = Kind::tryFrom($kind) === null || ! str_contains($text, ':')
            ? null
            : $this->book->find(Reference::parse($text));

        return $object === null ? $text : $this->of($object);
    }

    /** The same for a message, which says in its own language what is no name. */
    public function said(Reference|Destination|BookObject|string|null $what): string|Message
    {
        $word = $what instanceof Destination ? (string) $what : $what;

        return match (true) {
            $word === null, $word === '' => new Message('destination/nowhere'),
            is_string($word) && isset(Destination::WORDS[$word]) => new Message("destination/{$word}"),
            default => $this->of($what),
        };
    }

    /**
     * Several for a message, the first few of many.
     *
     * @param  array<BookObject|Destination|string>  $all
     */
    public function several(array $all, int $most = 3): Listing
    {
        return Listing::firstOf(array_map($this->said(...), $all), $most);
    }
}
