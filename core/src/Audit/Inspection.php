<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\CallbackUse;
use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Names;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Book\Reads;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\TwoBooks\Difference;
use Jaunty\Core\Calls\Year\Survey;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Hours\CustomerDay;
use Jaunty\Core\Outbound\HelpCall;
use Jaunty\Core\Places\Readiness\LineLimits;

/** A book under audit at an instant, as one rule looks at it; what rules ask in common is worked out once. */
final readonly class Inspection
{
    /** What is worked out from the whole book, as Reads and Edited name it. */
    public const ANYTHING = '*';

    public const CALLS = 'calls';

    public const LINKS = 'links';

    private Groundwork $groundwork;

    public Names $names;

    public CustomerDay $day;

    /**
     * @param  int  $now  seconds since 1970
     * @param  ?Book  $live  what the switch was last read to say; null where it was not, or where it is no matter
     * @param  ?Surroundings  $surroundings  null for a book that is no customer's
     * @param  list<Failure>  $failures  of rules that were run before
     */
    public function __construct(
        public Book $book,
        public int $now,
        public ?Book $live = null,
        private Thresholds $thresholds = new Thresholds(),
        public ?Surroundings $surroundings = null,
        ?Groundwork $groundwork = null,
        private ?Reads $reads = null,
        public array $failures = [],
    ) {
        $this->groundwork = $groundwork ?? new Groundwork($book, $now, $live);
        $this->names = new Names($book);
        $this->day = new CustomerDay($this->groundwork->clock(), $now);
    }

    /** The same, which notes what is asked of it. */
    public function watchedBy(Reads $reads): self
    {
        return new self(
            $this->book->watchedBy($reads),
            $this->now,
            $this->live,
            $this->thresholds,
            $this->surroundings,
            $this->groundwork,
            $reads,
        );
    }

    /** The same, after rules that failed. */
    public function after(Failure ...$failures): self
    {
        return new self(
            $this->book,
            $this->now,
            $this->live,
            $this->thresholds,
            $this->surroundings,
            $this->groundwork,
            $this->reads,
            [...$this->failures, ...array_values($failures)],
        );
    }

    /** The same of an edited book. */
    public function changedTo(Book $book): self
    {
        return new self($book, $this->now, $this->live, $this->thresholds, $this->surroundings, new Groundwork(
            $book,
            $this->now,
            $this->live,
            $this->groundwork,
        ));
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

    /** @return list<array{BookObject, string}> who refers to an object, and by which field */
    public function usesOf(BookObject $object): array
    {
        $uses = $this->groundwork->usesOf(Reference::of($object));
        $this->reads?->workedOut(self::LINKS);
        foreach ($uses as [$user]) {
            $this->reads?->one(Reference::of($user));
        }

        return $uses;
    }

    public function threshold(Threshold $threshold): int
    {
        return $this->thresholds->of($threshold);
    }

    public function lineLimits(): LineLimits
    {
        return $this->thresholds->lineLimits();
    }

    /** Calls to every number over the year that begins with the customer's day. */
    public function survey(): Survey
    {
        $this->reads?->workedOut(self::CALLS);

        return $this->groundwork->survey();
    }

    /** What leads from the book to live; nothing where the switch was not read. */
    public function drift(): ChangeSet
    {
        $this->reads?->workedOut(self::ANYTHING);

        return $this->groundwork->drift();
    }

    /** What callers notice of it over the same year; null where there is no drift. */
    public function difference(): ?Difference
    {
        $this->reads?->workedOut(self::ANYTHING);

        return $this->groundwork->difference();
    }

    /** @return list<HelpCall> every call for help that somebody here can make */
    public function helpCalls(): array
    {
        $this->reads?->workedOut(self::ANYTHING);

        return $this->groundwork->helpCalls();
    }

    /** @return list<CallbackNumber> the numbers that help services are really shown */
    public function callbackNumbers(): array
    {
        $this->reads?->workedOut(self::ANYTHING);

        return $this->groundwork->callbackNumbers();
    }

    /** Whether a number that stays rings somebody's device at once, at every kind of time. */
    public function isAlwaysAnswered(Number $number): bool
    {
        $this->reads?->workedOut(self::ANYTHING);
        $runs = $this->groundwork->calledBack($number);

        return $number->enabled && $number->status === NumberStatus::Active && $number->until === null && $runs !== []
            && array_filter(
                $runs,
                static fn (array $run): bool => ! $run[1]->ringsAPerson || $run[1]->heard !== '',
            ) === [];
    }

    /** The fix by which a site's own callback number is shown instead of another; null where it would not ring. */
    public function showingCallbackOf(Site $site, Number $instead): ?Fix
    {
        $callback = $this->find($site->emergency->callback, Number::class);

        return $callback === null || $callback->key === $instead->key || ! $this->isAlwaysAnswered($callback)
            ? null
            : Fix::set(
                "Always show {$this->names->of($callback)} of {$site->name}",
                $site,
                'emergency/callbackUse',
                CallbackUse::Always->value,
            );
    }

    /** The book as calls read it while everything is open. */
    public function callBook(): CallBook
    {
        $this->reads?->workedOut(self::ANYTHING);

        return $this->groundwork->callBook();
    }
}
