<?php

declare(strict_types=1);

namespace Jaunty\Core\Ports;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\SiteContact;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Telling;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ZoneClock;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Places\WhoIsThere;
use Jaunty\Core\Sentences\CallSentence;

/**
 * What to do, by the minute, on the day that numbers come over: what to try before and after, computed from the book as
 * it will be, and how to turn back.
 */
final readonly class CutOver
{
    /** Of a port that has no hours: when carriers work (common practice). */
    private const USUAL_HOURS = '09:00-17:00';

    private const MINUTES_BEFORE = 15;

    /** Every number is tried, of a range the first and the last. */
    private const MOST_TRIED = 12;

    private function __construct(
        private Book $book,
        private PortWish $wish,
        private string $day,
        private string $begins,
        private string $ends,
        private ?string $lent,
    ) {
    }

    /**
     * @param  Book  $book  as it is now
     * @param  string  $day  a date: the firm one, or the wished one
     * @param  ?string  $lent  a number lent until the port, in E.164
     * @return list<CutOverLine> in their order
     */
    public static function of(Book $book, PortWish $wish, string $day, ?string $lent): array
    {
        [$begins, $ends] = explode('-', $wish->hours === '' ? self::USUAL_HOURS : $wish->hours);
        $then = PortFollowing::arrived($book, $wish->numbers)->applyTo($book);
        $sheet = new self($then, $wish, $day, $begins, $ends, $lent);

        return [...$sheet->before(), ...$sheet->then(), ...$sheet->after(), ...$sheet->back()];
    }

    /** @return list<CutOverLine> */
    private function before(): array
    {
        $dayBefore = (new \DateTimeImmutable("{$this->day} -1 day"))->format('Y-m-d');
        $early = $this->minutes($this->begins, -self::MINUTES_BEFORE);
        $lines = [
            new CutOverLine('before', $dayBefore, 'Ask the carrier once more: the order still has this day.'),
            new CutOverLine('before', $dayBefore, 'Push the book, and read it back: nothing is pending.'),
            new CutOverLine('before', $dayBefore, "Tell {$this->book->tenant->name} when it is, and whom to call."),
        ];
        foreach ($this->book->all(Site::class) as $site) {
            if ($site->contacts !== []) {
                $lines[] = new CutOverLine('before', $dayBefore, $this->met($site));
            }
        }
        foreach ($this->tried() as $number) {
            $lines[] = new CutOverLine('before', $early, "Call {$this->said($number)} from a mobile: it rings as it "
                . "always did, at {$this->losing()}.");
        }

        return $lines;
    }

    /** @return list<CutOverLine> */
    private function then(): array
    {
        $lines = [new CutOverLine(
            'then',
            "{$this->day} {$this->begins}",
            'The carriers move ' . (count($this->wish->numbers) === 1
                ? $this->said($this->wish->numbers[0])
                : count($this->wish->numbers) . ' numbers') . '. Ask ours how far it is, every quarter of an hour.',
        )];
        if ($this->lent !== null) {
            $lines[] = new CutOverLine('then', "{$this->day} {$this->begins}", "{$this->said($this->lent)}, lent "
                . 'meanwhile, leads where it always did: calls that come by it are answered whatever happens.');
        }

        return $lines;
    }

    /** @return list<CutOverLine> */
    private function after(): array
    {
        $at = "{$this->day} {$this->ends}";
        $lines = [new CutOverLine('after', $at, 'The carrier says done, and the book has followed by itself: look '
            . 'over what changed there, and push it.')];
        foreach ($this->tried() as $number) {
            $lines[] = $this->try($number, $this->ends);
        }
        $shown = $this->whoShows();
        if ($shown !== null) {
            $lines[] = new CutOverLine('after', $at, "Call a mobile from {$shown[0]}'s telephone: it shows "
                . "{$this->said($shown[1])}.");
        }
        $lines[] = new CutOverLine('after', $at, 'Call the emergency test number from one telephone of each site: '
            . 'the number and the address read back are right.');
        $next = (new \DateTimeImmutable("{$this->day} +1 day"))->format('Y-m-d');
        $lines[] = new CutOverLine('after', $next, $this->wish->isPart
            ? "What stays at {$this->losing()} is billed as before; its main number is "
                . ($this->wish->stayingMain === '' ? 'not said' : $this->said($this->wish->stayingMain)) . '.'
            : "Cancel the old service at {$this->losing()}, account {$this->wish->account}. Not before: it would take "
                . 'the numbers with it.');
        if ($this->lent !== null) {
            $lines[] = new CutOverLine('after', $next, "Let {$this->said($this->lent)} end once nobody calls it.");
        }

        return $lines;
    }

    /** @return list<CutOverLine> */
    private function back(): array
    {
        $at = "{$this->day} {$this->ends}";

        return [
            new CutOverLine('back', $at, "Where a call above fails and the book is not why: ask {$this->losing()} to "
                . 'take the numbers back while the hours of the port last.'),
            new CutOverLine('back', $at, $this->lent === null
                ? "Until then {$this->losing()} can send their calls on to a number that works."
                : "Until then {$this->losing()} can send their calls on to {$this->said($this->lent)}."),
            new CutOverLine('back', $at, 'The order is failed back at the carrier then, and the book says porting in '
                . 'until it is sent again.'),
        ];
    }

    /** Who opens the door of a site while the numbers move. */
    private function met(Site $site): string
    {
        $clock = ZoneClock::of($site->zone ?? $this->book->tenant->zone);
        $there = (new WhoIsThere($this->book, $site))->between(
            $this->instant($clock, $this->begins),
            $this->instant($clock, $this->ends),
        );

        return $there === []
            ? "At {$site->name} none of its contacts is there between {$this->begins} and {$this->ends}: ask one to "
                . 'come.'
            : "At {$site->name} you meet " . implode(' or ', array_map(
                fn (SiteContact $contact): string => $contact->name . ($contact->role === null
                    ? ''
                    : ", {$contact->role}") . " ({$this->said($contact->phone)})",
                $there,
            )) . '.';
    }

    private function instant(ZoneClock $clock, string $time): int
    {
        [$hour, $minute] = array_map(intval(...), explode(':', $time));

        return $clock->instantOf(LocalDate::parse($this->day) * LocalDate::MINUTES + $hour * 60 + $minute);
    }

    private function try(string $number, string $time): CutOverLine
    {
        $instant = $this->instant(ZoneClock::of($this->zone($number)), $time);
        $script = ['to' => $number, 'at' => gmdate('Y-m-d\TH:i:s\Z', $instant)];
        $trace = Trace::of($this->book, Script::read($script, $this->book));

        return new CutOverLine(
            'after',
            "{$this->day} {$time}",
            "Call {$this->said($number)} from a mobile.",
            CallSentence::write($script, $this->book),
            $this->expected(Telling::of($trace)),
        );
    }

    /** What whoever calls hears or rings first, and where the call ends where nobody answers or presses a key. */
    private function expected(Telling $telling): string
    {
        $first = $telling->parts[0] ?? null;
        $begins = match ($first['what'] ?? '') {
            'hears' => "They hear {$this->named($first['object'] ?? '')} first",
            'rings' => "{$this->named($first['object'] ?? '')} rings first",
            'waits' => "They wait in {$this->named($first['object'] ?? '')} first",
            default => 'It goes there at once',
        };

        return "By the book: {$begins}; left alone, the call ends after {$telling->seconds} s: "
            . "{$telling->outcome->words()} {$this->named($telling->target)}.";
    }

    private function named(string $of): string
    {
        try {
            return $this->book->find(Reference::parse($of))?->label() ?? $of;
        } catch (UnusableBook) {
            return $of;
        }
    }

    /** @return list<string> */
    private function tried(): array
    {
        $numbers = $this->wish->numbers;

        return count($numbers) <= self::MOST_TRIED ? $numbers : [$numbers[0], $numbers[count($numbers) - 1]];
    }

    /** @return ?array{string, string} somebody's name and the number that their calls show */
    private function whoShows(): ?array
    {
        foreach ($this->book->all(User::class) as $user) {
            if ($user->callerId !== null && in_array($user->callerId->key, $this->wish->numbers, true)) {
                return [$user->label(), $user->callerId->key];
            }
        }

        return null;
    }

    private function zone(string $number): string
    {
        $found = $this->book->find(Reference::to(Kind::Number, $number));
        $site = $found instanceof Number && $found->site !== null ? $this->book->find($found->site) : null;

        return $site instanceof Site
            ? $site->zone ?? $this->book->tenant->zone
            : $this->book->tenant->zone;
    }

    private function minutes(string $time, int $more): string
    {
        return (new \DateTimeImmutable("{$this->day} {$time} {$more} minutes"))->format('Y-m-d H:i');
    }

    private function losing(): string
    {
        return $this->wish->losingCarrier === '' ? 'the old carrier' : $this->wish->losingCarrier;
    }

    private function said(string $number): string
    {
        return E164::parse($number)->display();
    }
}
