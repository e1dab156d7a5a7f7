<?php

declare(strict_types=1);

namespace Jaunty\CommandLine\Commands;

use Jaunty\CommandLine\Arguments;
use Jaunty\CommandLine\Command;
use Jaunty\CommandLine\Files;
use Jaunty\CommandLine\Misuse;
use Jaunty\CommandLine\Report;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Calls\OneCall\TraceStep;
use Jaunty\Core\Numbering\TypedNumber;
use Jaunty\Core\Numbering\UnusableNumber;

/** Follows one call to its end. Found, in the sense of the exit code, is a call that ends nowhere. */
final class CallCommand implements Command
{
    public function usage(): string
    {
        return 'BOOK --to NUMBER|EXTENSION --at WHEN [--from WHO] [--keys 1,2] [--answers WHO] [--busy WHO] '
            . '[--unreachable WHO] | BOOK --script FILE';
    }

    public function about(): string
    {
        return 'what one caller gets, step by step; WHO is user:KEY or outside:+NUMBER, several parted by commas';
    }

    /** Fewer are an extension. */
    private const LEAST_DIGITS = 7;

    public function options(): array
    {
        return ['to', 'at', 'from', 'keys', 'answers', 'busy', 'unreachable', 'script'];
    }

    public function run(Arguments $arguments): Report
    {
        $book = Files::book($arguments->file(0, 'a book'));
        $file = $arguments->option('script');
        $trace = Trace::of(
            $book,
            Script::read($file === null ? self::script($arguments, $book) : Files::json($file), $book),
        );
        $isLost = in_array($trace->outcome, [Outcome::DeadEnd, Outcome::Loop, Outcome::Overrun], true);

        return new Report(self::text($trace), $trace->toArray(), $isLost);
    }

    /** @return array<string, mixed> */
    private static function script(Arguments $arguments, Book $book): array
    {
        $world = [];
        foreach (['answers' => 'answers', 'busy' => 'busy', 'unreachable' => 'unreachable'] as $option => $state) {
            foreach (self::list($arguments->option($option)) as $who) {
                $known = str_starts_with($who, 'outside:')
                    ? 'outside:' . self::number("--{$option}", substr($who, strlen('outside:')), $book)
                    : $who;
                $world[$known] = $state;
            }
        }
        $script = [
            'to' => self::number(
                '--to',
                $arguments->option('to') ?? throw new Misuse('wants --to, a number or an extension'),
                $book,
            ),
            'at' => $arguments->option('at')
                ?? throw new Misuse('wants --at, such as 2026-12-01T14:05 at the customer, or with an offset'),
            'keys' => array_map(self::key(...), self::list($arguments->option('keys'))),
            'world' => $world,
        ];

        return $arguments->option('from') === null
            ? $script
            : $script + ['from' => self::number('--from', $arguments->option('from'), $book)];
    }

    /** A telephone number as people of the customer write it; anything shorter, or a word, as it stands. */
    private static function number(string $option, string $typed, Book $book): string
    {
        if (
            preg_match(Number::E164, $typed) === 1
            || preg_match('/^[+(\d][\d\s().\/-]*$/D', $typed) !== 1
            || strlen((string) preg_replace('/\D/', '', $typed)) < self::LEAST_DIGITS
        ) {
            return $typed;
        }
        try {
            return (string) TypedNumber::of($book)->read($typed);
        } catch (UnusableNumber $fault) {
            throw new Misuse("{$option}: {$fault->getMessage()}");
        }
    }

    /** @return array{key: string, at?: int} `1` falls where it is next listened for, `1@12` at second 12 */
    private static function key(string $typed): array
    {
        $parts = explode('@', $typed, 2);
        $key = $parts[0];
        $at = $parts[1] ?? null;

        return $at === null
            ? ['key' => $key]
            : (ctype_digit($at) ? ['key' => $key, 'at' => (int) $at] : throw new Misuse(
                "--keys: \"{$typed}\" is no key and second (1@12)",
            ));
    }

    /** @return list<string> */
    private static function list(?string $typed): array
    {
        return $typed === null || $typed === '' ? [] : explode(',', $typed);
    }

    private static function text(Trace $trace): string
    {
        $lines = array_map(
            static fn (TraceStep $step): string => rtrim(
                sprintf("%5d s  %-32s %-10s  %s", $step->at, $step->object, $step->what, $step->reason),
            )
                . "\n",
            $trace->steps,
        );
        $reason = $trace->reason === '' ? '' : ": {$trace->reason}";

        return implode('', $lines)
            . sprintf("%5d s  %s %s%s\n", $trace->seconds, $trace->outcome->words(), $trace->target, $reason)
            . implode('', array_map(static fn (string $warning): string => "warning: {$warning}\n", $trace->warnings));
    }
}
