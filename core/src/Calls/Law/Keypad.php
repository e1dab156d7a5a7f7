<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

/** The keys of a script, in order: timed ones fall when they fall, untimed ones where they are next listened for. */
final class Keypad
{
    /** @param list<array{key: string, at: ?int}> $keys */
    public function __construct(private array $keys, private readonly bool $isTimed)
    {
    }

    /**
     * The first key that falls while somebody listens, taken off.
     *
     * @param  int  $from  second from which keys are heard
     * @param  int  $until  second at which that is over
     * @param  ?int  $untimedAt  when an untimed key falls here; null where none is listened for
     * @param  ?string  $only  the one key that is listened for; others are lost (timed) or left (untimed)
     * @return ?array{string, int} the key and its second
     */
    public function next(int $from, int $until, ?int $untimedAt, ?string $only = null): ?array
    {
        if (! $this->isTimed) {
            $key = $this->keys[0]['key'] ?? null;
            if ($key === null || $untimedAt === null || ($only !== null && $key !== $only)) {
                return null;
            }
            array_shift($this->keys);

            return [$key, $untimedAt];
        }
        while ($this->keys !== [] && (int) $this->keys[0]['at'] < $until) {
            ['key' => $key, 'at' => $at] = array_shift($this->keys);
            if ((int) $at >= $from && ($only === null || $key === $only)) {
                return [$key, (int) $at];
            }
        }

        return null;
    }
}
