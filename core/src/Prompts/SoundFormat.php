<?php

declare(strict_types=1);

namespace Jaunty\Core\Prompts;

/** What a switch plays. */
final readonly class SoundFormat
{
    /** @param int $mostSeconds longer prompts it refuses */
    public function __construct(public Codec $codec, public int $rate, public int $channels, public int $mostSeconds)
    {
    }

    /** As telephone calls sound (ITU-T G.711), which every switch plays. */
    public static function telephone(int $mostSeconds): self
    {
        return new self(Codec::MuLaw, 8000, 1, $mostSeconds);
    }

    public function isOf(WavFile $file): bool
    {
        return [$file->codec, $file->rate, $file->channels] === [$this->codec, $this->rate, $this->channels];
    }

    /** @throws UnusableAudio where a recording is longer than the switch plays */
    public function refuseTooLong(WavFile $file): void
    {
        if ($file->seconds() > $this->mostSeconds) {
            throw new UnusableAudio(
                'It lasts ' . (int) ceil($file->seconds()) . " s, and the switch plays {$this->mostSeconds} at most.",
            );
        }
    }
}
