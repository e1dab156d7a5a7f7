<?php

declare(strict_types=1);

namespace Jaunty\Core\Numbering;

/** Numbers and ranges of them as they are pasted from a bill or a carrier's list: one to a line, or with commas. */
final readonly class NumberList
{
    /** A range that is longer was hardly meant: "0100 to 9100". */
    private const LONGEST_RANGE = 1_000;

    private const MOST_LINES = 10_000;

    /** What stands between the ends of a range; a hyphen only with space round it, since numbers have some inside. */
    private const BETWEEN = '/\s*(?:\.\.+|\x{2026}|\x{2013}|\x{2014}|\bto\b|\bthrough\b|\bà\b|\s-\s)\s*/ui';

    /** @param list<NumberLine> $lines */
    private function __construct(public array $lines)
    {
    }

    /** @param ?string $country ISO 3166-1 code whose national form is meant where there is no plus */
    public static function read(string $text, ?string $country): self
    {
        $reader = TypedNumber::in($country);
        $lines = [];
        $seen = [];
        $rows = preg_split('/[\r\n,;\t]+/', $text);
        foreach ($rows === false ? [] : $rows as $row) {
            if (trim($row) === '') {
                continue;
            }
            if (count($lines) >= self::MOST_LINES) {
                $lines[] = NumberLine::refused(trim($row), 'more than ' . number_format(self::MOST_LINES)
                    . ' lines at once; take the rest in another list');

                break;
            }
            $line = self::line($reader, trim($row));
            foreach ($line->numbers as $number) {
                if (isset($seen[(string) $number])) {
                    $line = NumberLine::refused($line->typed, "{$number->display()} is in this list already");

                    break;
                }
            }
            foreach ($line->numbers as $number) {
                $seen[(string) $number] = true;
            }
            $lines[] = $line;
        }

        return new self($lines);
    }

    /** @return list<E164> of the lines that could be read */
    public function numbers(): array
    {
        return array_merge(...array_map(static fn (NumberLine $line): array => $line->numbers, $this->lines));
    }

    private static function line(TypedNumber $reader, string $typed): NumberLine
    {
        $ends = preg_split(self::BETWEEN, $typed);
        $ends = $ends === false ? [$typed] : $ends;
        if (count($ends) > 2) {
            return NumberLine::refused($typed, 'a range has two ends');
        }
        try {
            $first = $reader->read($ends[0]);
            $last = isset($ends[1]) ? self::last($reader, $first, $ends[1]) : $first;
            $count = self::distance($first, $last) + 1;
            if ($count < 1) {
                return NumberLine::refused($typed, 'this range ends before it begins');
            }
            if ($count > self::LONGEST_RANGE) {
                return NumberLine::refused($typed, number_format($count) . ' numbers in one range; at most '
                    . number_format(self::LONGEST_RANGE));
            }

            return NumberLine::of($typed, self::range($first, $count));
        } catch (UnusableNumber $fault) {
            return NumberLine::refused($typed, $fault->getMessage());
        }
    }

    /** The other end: a whole number, or only the digits that are otherwise. */
    private static function last(TypedNumber $reader, E164 $first, string $typed): E164
    {
        $digits = (string) preg_replace('/\D+/', '', $typed);
        $whole = (string) $first;
        $isShort = ! str_contains($typed, '+') && $digits !== '' && strlen($digits) < strlen($first->national()) - 3
            && strlen($digits) <= 5;

        return $isShort
            ? E164::exactly(substr($whole, 0, -strlen($digits)) . $digits)
            : $reader->read($typed);
    }

    private static function distance(E164 $first, E164 $last): int
    {
        return strlen((string) $first) === strlen((string) $last)
            ? (int) substr((string) $last, 1) - (int) substr((string) $first, 1)
            : -1;
    }

    /**
     * @return list<E164>
     *
     * @throws UnusableNumber
     */
    private static function range(E164 $first, int $count): array
    {
        $begin = (int) substr((string) $first, 1);

        return array_map(
            static fn (int $no): E164 => E164::exactly('+' . $begin + $no),
            range(0, $count - 1),
        );
    }
}
