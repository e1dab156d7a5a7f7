<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

/** One leg about to ring, with what the world does with it. */
final readonly class RingLeg
{
    /**
     * @param  string  $object  the user of a device, or `outside:+E164`
     * @param  string  $does  answers, mailbox, off (its mailbox at once), rings, busy, refused or unreachable
     * @param  int  $seconds  how long it rings
     * @param  int  $mailboxAfter  seconds, of an outside number
     * @param  bool  $confirm  whether whoever answers must press a key
     * @param  int  $answersAfter  seconds until somebody answers, where somebody does
     */
    public function __construct(
        public string $object,
        public string $does,
        public int $seconds,
        public int $mailboxAfter = 0,
        public bool $confirm = false,
        public int $answersAfter = 0,
    ) {
    }

    public function dropsOut(): bool
    {
        return in_array($this->does, ['busy', 'refused', 'unreachable'], true);
    }

    /** Seconds from its beginning until somebody or something takes the call; null for never. */
    public function takenAfter(): ?int
    {
        return match ($this->does) {
            'answers' => $this->answersAfter > 0 && $this->answersAfter >= $this->seconds ? null : $this->answersAfter,
            'off' => $this->confirm ? null : 0,
            'mailbox' => $this->confirm || $this->mailboxAfter >= $this->seconds ? null : $this->mailboxAfter,
            default => null,
        };
    }
}
