<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\CallBook;
use Jaunty\Core\Calls\Difference;
use Jaunty\Core\Calls\Survey;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Hours\ZoneClock;

/**
 * What rules ask of a book, worked out once for all of them.
 *
 * @internal
 */
final class Groundwork
{
    private ?Survey $survey = null;

    private ?CallBook $callBook = null;

    private ?ChangeSet $drift = null;

    private ?Difference $difference = null;

    /** @var ?array<string, list<array{BookObject, string}>> */
    private ?array $uses = null;

    /** @param ?self $earlier of the book before an edit */
    public function __construct(private readonly Book $book, private readonly int $now, private readonly ?Book $live, private ?self $earlier = null)
    {
    }

    public function survey(): Survey
    {
        if ($this->survey === null) {
            // In another zone the year begins at another instant.
            $kin = $this->earlier?->dayBegan() === $this->dayBegan() ? $this->earlier->survey : null;
            $this->survey = $kin?->changedTo($this->book) ?? Survey::of($this->book, $this->dayBegan());
            // A line of ancestors would never end.
            $this->earlier = null;
        }

        return $this->survey;
    }

    public function callBook(): CallBook
    {
        return $this->callBook ??= CallBook::open($this->book);
    }

    public function drift(): ChangeSet
    {
        return $this->drift ??= $this->live === null ? ChangeSet::of() : Diff::between($this->book, $this->live);
    }

    public function difference(): ?Difference
    {
        return $this->difference ??= $this->live === null || $this->drift()->isEmpty() ? null : Difference::between($this->book, $this->live, $this->dayBegan());
    }

    /** @return list<array{BookObject, string}> */
    public function usesOf(Reference $object): array
    {
        if ($this->uses === null) {
            $this->uses = [];
            foreach ([$this->book->tenant, ...$this->book->objects()] as $user) {
                foreach ($user->links() as $link) {
                    $this->uses[(string) $link->to][] = [$user, $link->path];
                }
            }
        }

        return $this->uses[(string) $object] ?? [];
    }

    public function clock(): ZoneClock
    {
        return ZoneClock::of($this->book->tenant->zone);
    }

    /** Begun within a day, a year's hours would not be those of the other days, and words for them would grow long. */
    public function dayBegan(): int
    {
        return $this->clock()->midnight($this->clock()->day($this->now));
    }
}
