<?php

declare(strict_types=1);

namespace Jaunty\Core\Sentences;

/**
 * A sentence cut into words, read from left to right.
 *
 * @internal
 */
final class Words
{
    /** Words that join parts and say nothing. */
    private const FILLING = ['and', 'while', 'when', 'is', 'are', 'at', 'on', 'then', 'the', 'call', 'to', 'of'];

    private int $next = 0;

    /** @param list<array{string, int}> $words in small letters, with their offsets */
    private function __construct(private readonly array $words, private readonly int $end)
    {
    }

    public static function of(string $sentence): self
    {
        preg_match_all('/[^\s,;]+/u', $sentence, $found, PREG_OFFSET_CAPTURE);

        return new self(
            array_map(static fn (array $word): array => [mb_strtolower((string) $word[0]), (int) $word[1]], $found[0]),
            strlen($sentence),
        );
    }

    public function isAtEnd(): bool
    {
        return $this->next >= count($this->words);
    }

    public function at(): int
    {
        return $this->words[$this->next][1] ?? $this->end;
    }

    public function word(int $ahead = 0): string
    {
        return $this->words[$this->next + $ahead][0] ?? '';
    }

    /** The next so many words as one text; empty where there are not so many. */
    public function joined(int $count): string
    {
        return $this->next + $count > count($this->words)
            ? ''
            : implode(' ', array_column(array_slice($this->words, $this->next, $count), 0));
    }

    public function left(): int
    {
        return count($this->words) - $this->next;
    }

    public function skip(int $count = 1): void
    {
        $this->next += $count;
    }

    public function skipFilling(): void
    {
        while (in_array($this->word(), self::FILLING, true)) {
            $this->next++;
        }
    }
}
