<?php

declare(strict_types=1);

namespace Jaunty\Core\Prompts;

/** How loud a recording is, and where. */
final readonly class Levels
{
    /**
     * @param  ?float  $peakDb  of the loudest sample, below full scale; null where all is silent
     * @param  int  $clipped  runs of samples at full scale, heard as crackles
     * @param  float  $quietBefore  seconds of silence at the beginning; the whole length where there is nothing else
     * @param  float  $quietAfter  seconds of silence at the end
     */
    public function __construct(
        public ?float $peakDb,
        public int $clipped,
        public float $quietBefore,
        public float $quietAfter,
    ) {
    }

    /** @return list<string> what a listener would mind */
    public function remarks(): array
    {
        return array_values(array_filter([
            $this->peakDb === null ? 'is silent' : null,
            $this->peakDb !== null && $this->peakDb < -20 ? "is quiet: {$this->peakDb} dB at its loudest" : null,
            $this->clipped > 0
                ? "crackles: it is too loud in {$this->clipped} " . ($this->clipped === 1 ? 'place' : 'places')
                : null,
            $this->peakDb !== null && $this->quietBefore >= 1
                ? sprintf('begins with %.1f s of silence', $this->quietBefore)
                : null,
            $this->quietAfter >= 2 ? sprintf('ends with %.1f s of silence', $this->quietAfter) : null,
        ]));
    }
}
