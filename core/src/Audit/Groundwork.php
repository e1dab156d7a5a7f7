<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\AllCalls\CallBack;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\TwoBooks\Difference;
use Jaunty\Core\Calls\Year\Run;
use Jaunty\Core\Calls\Year\Survey;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Hours\CustomerDay;
use Jaunty\Core\Hours\ZoneClock;
use Jaunty\Core\Outbound\HelpCall;
use Jaunty\Core\Outbound\HelpCalls;

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

    /** @var ?list<HelpCall> */
    private ?array $helpCalls = null;

    /** @var ?list<CallbackNumber> */
    private ?array $callbackNumbers = null;

    /** @var ?array<string, list<Run>> by number */
    private ?array $runs = null;

    /** @param ?self $earlier of the book before an edit */
    public function __construct(
        private readonly Book $book,
        private readonly int $now,
        private readonly ?Book $live,
        private ?self $earlier = null,
    ) {
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
        return $this->difference ??= $this->live === null || $this->drift()->isEmpty()
            ? null
            : Difference::between($this->book, $this->live, $this->dayBegan());
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

    /** @return list<HelpCall> */
    public function helpCalls(): array
    {
        return $this->helpCalls ??= HelpCalls::of($this->book, $this->now);
    }

    /** @return list<CallbackNumber> */
    public function callbackNumbers(): array
    {
        if ($this->callbackNumbers === null) {
            $this->callbackNumbers = [];
            $shown = [];
            foreach ($this->helpCalls() as $call) {
                if ($call->shown !== '') {
                    $shown[$call->shown][0][] = $call->user;
                    $shown[$call->shown][1][] = $call->site;
                }
            }
            foreach ($shown as $key => [$users, $sites]) {
                // An extension may be shown too: it is no number.
                $number = str_starts_with((string) $key, '+')
                    ? $this->book->find(Reference::parse("number:{$key}"))
                    : null;
                if ($number instanceof Number) {
                    $this->callbackNumbers[] = CallbackNumber::of($number, $users, $sites, $this->calledBack($number));
                }
            }
        }

        return $this->callbackNumbers;
    }

    /** @return list<array{Run, CallBack}> what meets whoever calls a number and waits, at every kind of time */
    public function calledBack(Number $number): array
    {
        $survey = $this->survey();
        if ($this->runs === null) {
            $this->runs = [];
            foreach ($survey->runs as $run) {
                $this->runs[$run->number][] = $run;
            }
        }
        $back = static fn (Run $run): CallBack => $survey->once(
            $run,
            "called back {$run->number}",
            static fn (Explorer $explored): CallBack => CallBack::of($explored, $run->start),
        );

        return array_map(static fn (Run $run): array => [$run, $back($run)], $this->runs[$number->key] ?? []);
    }

    public function clock(): ZoneClock
    {
        return ZoneClock::of($this->book->tenant->zone);
    }

    /** Begun within a day, a year's hours would not be those of the other days, and words for them would grow long. */
    public function dayBegan(): int
    {
        return (new CustomerDay($this->clock(), $this->now))->began();
    }
}
