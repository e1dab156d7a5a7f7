<?php

declare(strict_types=1);

namespace Jaunty\Core\Telephones;

/** What a switch last heard of a telephone. */
final readonly class Heard
{
    /**
     * @param  string  $device  a reference
     * @param  ?int  $since  seconds since 1970 at which it registered; null where it is not
     * @param  ?int  $lost  when it was last there, where it is not any more
     * @param  ?int  $refused  when it was last turned away, where it was not let in since
     * @param  ?string  $firmware  the program it says it runs
     * @param  ?string  $address  on the network it is in
     * @param  bool  $isCurrent  whether it has the configuration it ought to have
     */
    public function __construct(
        public string $device,
        public ?int $since,
        public ?int $lost,
        public ?int $refused,
        public ?string $firmware,
        public ?string $address,
        public bool $isCurrent,
    ) {
    }

    public function state(): Presence
    {
        return match (true) {
            $this->since !== null => Presence::Registered,
            $this->refused !== null && $this->refused >= ($this->lost ?? 0) => Presence::Refused,
            $this->lost !== null => Presence::Lost,
            default => Presence::Never,
        };
    }

    /** The second at which the state began; null where it never was there. */
    public function at(): ?int
    {
        return match ($this->state()) {
            Presence::Registered => $this->since,
            Presence::Refused => $this->refused,
            Presence::Lost => $this->lost,
            Presence::Never => null,
        };
    }
}
