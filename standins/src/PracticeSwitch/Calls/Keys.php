<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

use Standins\Shared\Refusal;

/** The keys a caller presses, in order: each at its second, or each where a key is next listened for. */
final class Keys
{
    /** @param list<array{string, ?int}> $left key and second */
    private function __construct(private array $left)
    {
    }

    /** @throws Refusal 422 */
    public static function read(mixed $value): self
    {
        $keys = [];
        foreach (is_array($value) ? $value : [] as $press) {
            $key = is_array($press) ? $press['key'] ?? null : null;
            $at = is_array($press) ? $press['t'] ?? null : null;
            if (! is_string($key) || preg_match('/^[0-9*#]$/', $key) !== 1 || ($at !== null && ! is_int($at))) {
                throw new Refusal(422, 'wants presses such as {"key": "1", "t": 12}', 'keys');
            }
            $keys[] = [$key, $at];
        }
        if (count(array_unique(array_map(static fn (array $key): bool => $key[1] === null, $keys))) > 1) {
            throw new Refusal(422, 'all keys have their second, or none has', 'keys');
        }
        usort($keys, static fn (array $a, array $b): int => $a[1] <=> $b[1]);

        return new self($keys);
    }

    /**
     * The next key, where one is listened for from a second up to another.
     *
     * @param  int  $untimed  where a key without second falls
     * @return ?array{string, int} key and second
     */
    public function take(int $from, int $until, int $untimed): ?array
    {
        $this->forgetBefore($from);
        $next = $this->left[0] ?? null;
        if ($next === null || ($next[1] !== null && $next[1] >= $until)) {
            return null;
        }
        array_shift($this->left);

        return [$next[0], $next[1] ?? $untimed];
    }

    /**
     * The second at which one key falls, where no other is listened for; without a second of its own at once, if it is
     * the next.
     */
    public function takeOnly(string $key, int $from, int $until): ?int
    {
        $this->forgetBefore($from);
        foreach ($this->left as $place => [$pressed, $at]) {
            if ($at === null) {
                if ($place > 0 || $pressed !== $key) {
                    return null;
                }
                array_shift($this->left);

                return $from;
            }
            if ($at < $until && $pressed === $key) {
                $this->left = array_slice($this->left, $place + 1);

                return $at;
            }
        }

        return null;
    }

    /** As takeOnly, but the key stays where it is. */
    public function seeOnly(string $key, int $from, int $until): ?int
    {
        $left = $this->left;
        $at = $this->takeOnly($key, $from, $until);
        $this->left = $left;

        return $at;
    }

    private function forgetBefore(int $second): void
    {
        while (isset($this->left[0]) && $this->left[0][1] !== null && $this->left[0][1] < $second) {
            array_shift($this->left);
        }
    }
}
