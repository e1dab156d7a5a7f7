<?php

declare(strict_types=1);

namespace App\Prompts;

/** A recording as telephones play it, with what was found of it as it came. */
final readonly class Sound
{
    /**
     * @param  list<int>  $waveform  0 to 100
     * @param  string  $cameAs  such as "PCM, 44100 Hz, 2 channels"
     * @param  list<string>  $remarks  what a listener would mind
     */
    public function __construct(
        public string $wav,
        public string $sha256,
        public float $seconds,
        public ?float $peakDb,
        public array $waveform,
        public string $cameAs,
        public array $remarks,
    ) {
    }
}
