<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\CallBook;
use Jaunty\Core\Calls\Difference;
use Jaunty\Core\Calls\Survey;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Hours\ZoneClock;
use Jaunty\Core\Numbering\E164;

/** A book under audit at an instant, with what rules ask of it worked out once for all of them. */
final class Inspection
{
    private ?Survey $survey = null;

    private ?CallBook $callBook = null;

    private ?ChangeSet $drift = null;

    private ?Difference $difference = null;

    /** @var ?array<string, list<array{BookObject, string}>> */
    private ?array $uses = null;

    /**
     * @param  int  $now  seconds since 1970
     * @param  ?Book  $live  what the switch was last read to say; null where it was not, or where it is no matter
     */
    public function __construct(
        public readonly Book $book,
        public readonly int $now,
        public readonly ?Book $live = null,
        public readonly Thresholds $thresholds = new Thresholds(),
    ) {
    }

    /**
     * @template T of BookObject
     *
     * @param  class-string<T>  $class
     * @return ?T
     */
    public function find(Reference|Destination|null $to, string $class): ?BookObject
    {
        $reference = $to instanceof Destination ? $to->object : $to;
        $object = $reference === null ? null : $this->book->find($reference);

        return $object instanceof $class ? $object : null;
    }

    /** What people call it: an object, a number as it is dialled, or a word of destinations. */
    public function name(Reference|Destination|BookObject|string|null $of): string
    {
        if ($of instanceof BookObject) {
            return $of instanceof Number ? E164::parse($of->key)->display() : $of->label();
        }
        $text = (string) $of;
        if (str_starts_with($text, 'outside:')) {
            return E164::parse(substr($text, strlen('outside:')))->display();
        }
        [$kind] = explode(':', $text);
        $object = Kind::tryFrom($kind) === null || ! str_contains($text, ':') ? null : $this->book->find(Reference::parse($text));

        return $object === null ? $text : $this->name($object);
    }

    /**
     * Names as a sentence lists them, the first few of many.
     *
     * @param  list<BookObject|string>  $all
     */
    public function names(array $all, int $most = 3): string
    {
        $names = array_map($this->name(...), array_slice($all, 0, $most));
        $more = count($all) - count($names);
        if ($more > 0) {
            return implode(', ', $names) . " and {$more} more";
        }
        $last = array_pop($names);

        return $names === [] ? (string) $last : implode(', ', $names) . " and {$last}";
    }

    /** @return list<array{BookObject, string}> who refers to an object, and by which field */
    public function usesOf(BookObject $object): array
    {
        if ($this->uses === null) {
            $this->uses = [];
            foreach ([$this->book->tenant, ...$this->book->objects()] as $user) {
                foreach ($user->links() as $link) {
                    $this->uses[(string) $link->to][] = [$user, $link->path];
                }
            }
        }

        return $this->uses[(string) Reference::of($object)] ?? [];
    }

    /** A date as a sentence says it: `Fri 25 Dec 2026`. */
    public function day(string $date): string
    {
        return (new \DateTimeImmutable("{$date}T12:00:00Z"))->format('D j M Y');
    }

    /** The date at the customer's, as days since 1970. */
    public function today(): int
    {
        return $this->clock()->day($this->now);
    }

    /** Calls to every number over the year that begins with the customer's day. */
    public function survey(): Survey
    {
        return $this->survey ??= Survey::of($this->book, $this->dayBegan());
    }

    /** What leads from the book to live; nothing where the switch was not read. */
    public function drift(): ChangeSet
    {
        return $this->drift ??= $this->live === null ? ChangeSet::of() : Diff::between($this->book, $this->live);
    }

    /** What callers notice of it over the same year; null where there is no drift. */
    public function difference(): ?Difference
    {
        return $this->difference ??= $this->live === null || $this->drift()->isEmpty() ? null : Difference::between($this->book, $this->live, $this->dayBegan());
    }

    /** Begun within a day, a year's hours would not be those of the other days, and words for them would grow long. */
    public function dayBegan(): int
    {
        return $this->clock()->midnight($this->today());
    }

    private function clock(): ZoneClock
    {
        return ZoneClock::of($this->book->tenant->zone);
    }

    /** The book as calls read it while everything is open. */
    public function callBook(): CallBook
    {
        return $this->callBook ??= CallBook::open($this->book);
    }
}
