<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

use Standins\Shared\Refusal;

/** A call somebody wants to know of: what is dialled, by whom and when, which keys, and how things stand. */
final readonly class Question
{
    /**
     * @param  ?string  $from  digits, HIDDEN, or null for a caller of whom nothing is known
     * @param  ?Place  $by  who in the house dials: a person, or a set
     */
    private function __construct(
        public string $dialled,
        private ?string $from,
        public int $instant,
        public Keys $keys,
        public World $world,
        public ?Place $by = null,
    ) {
    }

    /**
     * @param  array<string, mixed>  $asked  dial, from, by, stamp, keys, moods, turns
     *
     * @throws Refusal 422 naming the field
     */
    public static function read(array $asked): self
    {
        $dialled = $asked['dial'] ?? null;
        $from = $asked['from'] ?? null;
        $stamp = $asked['stamp'] ?? null;
        if (! is_string($dialled) || preg_match('/^[0-9*#]{1,30}$/D', $dialled) !== 1) {
            throw new Refusal(422, 'wants the digits of a line without plus, a short number, or a code', 'dial');
        }
        if ($from !== null && (! is_string($from) || preg_match('/^(\d{1,15}|HIDDEN)$/', $from) !== 1)) {
            throw new Refusal(422, 'wants digits, HIDDEN, or nothing', 'from');
        }
        if (! is_int($stamp)) {
            throw new Refusal(422, 'wants seconds since 1970', 'stamp');
        }

        return new self($dialled, $from, $stamp, Keys::read($asked['keys'] ?? null), World::read(
            $asked['moods'] ?? null,
            $asked['turns'] ?? null,
        ), Place::of($asked['by'] ?? null));
    }

    public function withTalking(string ...$persons): self
    {
        return new self($this->dialled, $this->from, $this->instant, $this->keys, $this->world->withTalking(
            array_values($persons),
        ), $this->by);
    }

    /** Whether the caller is one of those a screen names: a digit map, HIDDEN, or ALL. */
    public function isFrom(string $match): bool
    {
        return match (true) {
            $match === 'ALL' => true,
            $match === 'HIDDEN' || $this->from === 'HIDDEN' => $match === $this->from,
            default => $this->from !== null && DigitString::matches($match, $this->from),
        };
    }

    public function from(): ?string
    {
        return $this->from;
    }
}
