<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

/** One thing that happened to a call. */
final readonly class TraceStep
{
    /** @param int $at seconds from the call's arrival */
    public function __construct(public int $at, public string $object, public string $what, public string $reason = '')
    {
    }

    /** @param string $reason why the call came here; empty for none */
    public function because(string $reason): self
    {
        return $reason === '' ? $this : new self($this->at, $this->object, $this->what, $reason);
    }

    /** @return array{at: int, object: string, what: string, reason: string} */
    public function toArray(): array
    {
        return ['at' => $this->at, 'object' => $this->object, 'what' => $this->what, 'reason' => $this->reason];
    }

    /**
     * @param  list<array{int, string}>  $began  seconds from the beginning of the offers, and the leg
     * @return list<self>
     */
    public static function rings(array $began, int $now): array
    {
        return array_map(static fn (array $leg): self => new self($now + $leg[0], $leg[1], 'rings'), $began);
    }
}
