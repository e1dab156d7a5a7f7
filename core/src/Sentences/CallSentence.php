<?php

declare(strict_types=1);

namespace Jaunty\Core\Sentences;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ZoneClock;
use Jaunty\Core\Numbering\E164;

/**
 * A test call as one sentence: `902 555 0110 sat 10:00 press 1`, `201 from 202 busy`, `main 25 dec 11:00, site quay-end
 * out`. Whom is called comes first, the main number where nobody is; the rest in any order. Reading what was written
 * gives the same call.
 */
final class CallSentence
{
    private const EVERYBODY = ['everybody', 'everyone', 'all'];

    private readonly Words $words;

    private readonly Subjects $subjects;

    private readonly Moment $moment;

    private ?string $from = null;

    /** @var list<array{key: string, at?: int}> */
    private array $keys = [];

    /** @var array<string, string> */
    private array $world = [];

    private function __construct(string $sentence, private readonly Book $book, int $now)
    {
        $this->words = Words::of($sentence);
        $this->subjects = new Subjects($book);
        $this->moment = new Moment(ZoneClock::of($book->tenant->zone)->localMinutes($now));
    }

    /**
     * @param  int  $now  seconds since 1970
     * @return array<string, mixed> a script as the tenant book writes it
     *
     * @throws UnreadableCall saying what is not understood, and where
     */
    public static function read(string $sentence, Book $book, int $now): array
    {
        try {
            return (new self($sentence, $book, $now))->script();
        } catch (UnreadableCall $fault) {
            // "monday 9" or "busy": a caller, and nobody is said to be called.
            if (trim($sentence) === '' || $book->tenant->mainNumber === null) {
                throw $fault;
            }
            try {
                return (new self("main {$sentence}", $book, $now))->script();
            } catch (UnreadableCall) {
                throw $fault;
            }
        }
    }

    /**
     * The sentence that says a call.
     *
     * @param  array<string, mixed>  $script  as the tenant book writes it
     * @return ?string null where it holds what no sentence says: in which order a group rings
     */
    public static function write(array $script, Book $book): ?string
    {
        if (isset($script['order']) && $script['order'] !== []) {
            return null;
        }
        $text = static fn (mixed $value): string => is_string($value) ? $value : '';
        $to = $text($script['to'] ?? '');
        $subjects = new Subjects($book);
        $parts = [
            str_starts_with($to, '+') ? E164::parse($to)->display() : $to,
            self::when($text($script['at'] ?? ''), $book),
        ];
        $from = $text($script['from'] ?? '');
        if ($from !== '') {
            $parts[] = 'from ' . ($from === 'withheld' ? $from : self::who($from, $book, $subjects));
        }
        $keys = array_map(
            static fn (mixed $key): string => is_array($key)
                ? $text($key['key'] ?? '') . (isset($key['at']) && is_int($key['at']) ? "@{$key['at']}" : '')
                : '',
            is_array($script['keys'] ?? null) ? $script['keys'] : [],
        );
        if ($keys !== []) {
            $parts[] = 'press ' . implode(' ', $keys);
        }
        $world = array_map($text, is_array($script['world'] ?? null) ? $script['world'] : []);
        $ofUsers = array_filter(
            $world,
            static fn (string $who): bool => str_starts_with($who, 'user:'),
            ARRAY_FILTER_USE_KEY,
        );
        if (
            count($ofUsers) > 2
            && count($ofUsers) === count($book->ofKind(Kind::User))
            && count(array_unique($ofUsers)) === 1
        ) {
            $parts[] = 'everybody ' . States::words((string) reset($ofUsers));
            $world = array_diff_key($world, $ofUsers);
        }
        foreach ($world as $who => $state) {
            $parts[] = self::who((string) $who, $book, $subjects) . ' ' . States::words($state);
        }

        return implode(', ', $parts);
    }

    /** @return array<string, mixed> */
    private function script(): array
    {
        if ($this->words->isAtEnd()) {
            throw new UnreadableCall('begin with the number or extension that is called', 0);
        }
        $this->words->skipFilling();
        $to = $this->subjects->takeCalled($this->words) ?? throw new UnreadableCall(
            "\"{$this->words->word()}\" begins no number and is no extension of this customer",
            $this->words->at(),
        );
        while (! $this->words->isAtEnd()) {
            $this->part($to);
        }

        return ['to' => $to, 'at' => $this->moment->text()]
            + ($this->from === null ? [] : ['from' => $this->from])
            + ($this->keys === [] ? [] : ['keys' => $this->keys])
            + ($this->world === [] ? [] : ['world' => $this->world]);
    }

    private function part(string $to): void
    {
        $word = $this->words->word();
        if ($word === 'from') {
            $this->words->skip();
            $this->from = $this->caller();
        } elseif (in_array($word, ['press', 'presses', 'key', 'keys'], true)) {
            $this->words->skip();
            $this->press();
        } elseif ($this->takesDate() || $this->named($word) || $this->silentSubject($to)) {
            return;
        } else {
            $at = $this->words->at();
            $this->words->skipFilling();
            if ($this->words->at() === $at) {
                throw new UnreadableCall(
                    "\"{$word}\" is not understood; say when, who calls (from …), which keys (press …) or who is busy",
                    $at,
                );
            }
        }
    }

    /** A date is taken before a name: `25 dec` is no extension, `201 busy` no date. */
    private function takesDate(): bool
    {
        return $this->moment->take($this->words);
    }

    private function caller(): string
    {
        if (in_array($this->words->word(), ['withheld', 'anonymous'], true)) {
            $this->words->skip();

            return 'withheld';
        }
        $at = $this->words->at();
        $kind = $this->words->word() === 'telephone' ? 'device' : null;
        $this->words->skip($kind === null ? 0 : 1);
        $who = $this->subjects->take($this->words, $kind);
        if ($who === null || preg_match('/^(user|outside|device):/', $who) !== 1) {
            throw new UnreadableCall(
                'after "from" comes a telephone number, a user, a telephone of the customer, or withheld',
                $at,
            );
        }

        return str_starts_with($who, 'outside:') ? substr($who, strlen('outside:')) : $who;
    }

    private function press(): void
    {
        $at = $this->words->at();
        $before = count($this->keys);
        while (preg_match('/^([0-9*#]+)(?:@(\d{1,7}))?$/', $this->words->word(), $found) === 1 && ! (
            $this->isSubject() && strlen($found[1]) > 1
        )) {
            if ($this->isDay($this->words->word(1)) && strlen($found[1]) <= 2 && count($this->keys) > $before) {
                break;
            }
            foreach (str_split($found[1]) as $key) {
                $this->keys[] = ['key' => $key] + (isset($found[2]) ? ['at' => (int) $found[2]] : []);
            }
            $this->words->skip();
        }
        if (count($this->keys) === $before) {
            throw new UnreadableCall('after "press" come keys: 0 to 9, * or #', $at);
        }
    }

    /** Whether digits are somebody's extension with a state after it, and not keys. */
    private function isSubject(): bool
    {
        $words = clone $this->words;
        $who = $this->subjects->take($words);

        return $who !== null && States::take($words, explode(':', $who)[0]) !== null;
    }

    private function isDay(string $word): bool
    {
        return preg_match('/^(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)/', $word) === 1;
    }

    /** `202 busy`, `everybody away`, `site quay-end out`, `leg ines/mobile unreachable`, `platform out`. */
    private function named(string $word): bool
    {
        $at = $this->words->at();
        if (in_array($word, self::EVERYBODY, true)) {
            $this->words->skip();
            $this->words->skipFilling();
            $state = States::take($this->words, 'user') ?? throw $this->whatOf('everybody', 'user', $this->words->at());
            $this->putAll($state);

            return true;
        }
        if ($word === 'platform' || $word === 'leg') {
            $this->words->skip();
            $who = $word === 'platform' ? 'platform' : "leg:{$this->words->word()}";
            $this->words->skip($word === 'leg' ? 1 : 0);
        } else {
            $kind = Subjects::SAID_AS[$word] ?? null;
            $this->words->skip($kind === null ? 0 : 1);
            $who = $this->subjects->take($this->words, $kind);
        }
        if ($who === null) {
            return $this->words->at() === $at
                ? false
                : throw new UnreadableCall(
                    "no {$word} of this customer is called \"{$this->words->word()}\"",
                    $this->words->at(),
                );
        }
        $this->words->skip(in_array($this->words->word(), ['is', 'are'], true) ? 1 : 0);
        $kind = explode(':', $who)[0];
        $this->world[$who] = States::take($this->words, $kind)
            ?? throw $this->whatOf(self::who($who, $this->book, $this->subjects), $kind, $this->words->at());

        return true;
    }

    /** `201 from 202 busy`: a state without a name is that of whoever is called; behind a number, of everybody. */
    private function silentSubject(string $to): bool
    {
        $ofAll = str_starts_with($to, '+') ? States::take($this->words, Kind::User->value) : null;
        if ($ofAll !== null) {
            $this->putAll($ofAll);

            return true;
        }
        $holder = str_starts_with($to, '+') ? null : $this->subjects->holder($to);
        $state = $holder === null ? null : States::take($this->words, $holder->kind()->value);
        if ($holder === null || $state === null) {
            return false;
        }
        $this->world[(string) Reference::of($holder)] = $state;

        return true;
    }

    private function putAll(string $state): void
    {
        foreach ($this->book->ofKind(Kind::User) as $user) {
            $this->world[(string) Reference::of($user)] = $state;
        }
    }

    private function whatOf(string $who, string $kind, int $at): UnreadableCall
    {
        return new UnreadableCall("what of {$who}? Say " . implode(', ', States::of($kind)), $at);
    }

    private static function who(string $who, Book $book, Subjects $subjects): string
    {
        [$kind, $key] = explode(':', $who, 2) + [1 => ''];
        if ($kind === 'platform') {
            return 'platform';
        }
        if ($kind === 'outside' || str_starts_with($who, '+')) {
            return E164::parse($kind === 'outside' ? $key : $who)->display();
        }
        if ($kind === 'leg') {
            return "leg {$key}";
        }
        $extension = $book->find(Reference::parse($who))?->extension();

        return match (true) {
            $kind === 'user' && $extension !== null && $subjects->isClear($extension, $who) => $extension,
            $kind === 'user' => $who,
            default => array_search($kind, Subjects::SAID_AS, true) . " {$key}",
        };
    }

    /** A local time as people say it; an instant is told in the customer's time. */
    private static function when(string $at, Book $book): string
    {
        if (preg_match('/^(\d{4}-\d{2}-\d{2})[T ](\d{2}:\d{2})(:\d{2})?(Z|[+-]\d{2}:\d{2})?$/', $at, $found) !== 1) {
            return $at;
        }
        if (($found[4] ?? '') !== '') {
            $minutes = ZoneClock::of($book->tenant->zone)->localMinutes((new \DateTimeImmutable($at))->getTimestamp());
            $found[1] = LocalDate::text(intdiv($minutes, LocalDate::MINUTES));
            $found[2] = sprintf('%02d:%02d', intdiv($minutes % LocalDate::MINUTES, 60), $minutes % 60);
        }
        $day = LocalDate::parse($found[1]);

        return LocalDate::DAYS[LocalDate::weekday($day)] . ' ' . (int) substr($found[1], 8) . ' ' . [
            'Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec',
        ][(int) substr($found[1], 5, 2) - 1] . ' ' . substr($found[1], 0, 4) . ' ' . $found[2];
    }
}
