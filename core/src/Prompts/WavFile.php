<?php

declare(strict_types=1);

namespace Jaunty\Core\Prompts;

/**
 * A WAV recording, its facts read from the bytes (RIFF; format tags of RFC 2361). What contradicts itself is refused: a
 * file that one program plays and another does not is found out on the day the switch is the other.
 */
final readonly class WavFile
{
    private const EXTENSIBLE = 0xFFFE;

    private const LEAST_RATE = 4_000;

    private const MOST_RATE = 192_000;

    private const MOST_CHANNELS = 8;

    /** Full scale of sixteen bits. */
    private const FULL = 32_768;

    /** Quieter than a hiss on the line: 50 dB below full scale. */
    private const QUIET = 104;

    /** Samples of each channel that are looked at together. */
    private const STRETCH = 16_384;

    /** A wave touches full scale once; as many samples in a row are cut off, and heard as a crackle. */
    private const CLIPPED_RUN = 2;

    /** @param int $frames samples of each channel */
    private function __construct(
        public Codec $codec,
        public int $rate,
        public int $channels,
        public int $bits,
        public int $frames,
        private string $data,
    ) {
    }

    /** @throws UnusableAudio */
    public static function read(string $bytes): self
    {
        self::refuseOthers($bytes);
        $says = self::whole($bytes, 4);
        if ($says < 4) {
            throw new UnusableAudio('The header says the file has no content.');
        }
        $format = $data = $fact = null;
        // What lies behind the part that the header counts is somebody else's, and nobody plays it.
        for ($at = 12; $at + 8 <= min($says + 8, strlen($bytes)); $at += 8 + $size + ($size & 1)) {
            $name = substr($bytes, $at, 4);
            $size = self::whole($bytes, $at + 4);
            if (preg_match('/^[\x20-\x7E]{4}$/D', $name) !== 1) {
                throw new UnusableAudio(
                    "At byte {$at} the name of a part should stand, and does not: the part "
                        . "before it has a wrong length.",
                );
            }
            if ($at + 8 + $size > strlen($bytes)) {
                throw new UnusableAudio(
                    'Its part "' . trim($name) . "\" says it has {$size} bytes, and the file ends before.",
                );
            }
            $part = substr($bytes, $at + 8, $size);
            match ($name) {
                'fmt ' => $format ??= $part,
                'data' => $data ??= $part,
                'fact' => $fact ??= $part,
                default => null,
            };
        }
        if ($format === null) {
            throw new UnusableAudio('The part that says how the samples are written ("fmt") is missing.');
        }
        if ($data === null || $data === '') {
            throw new UnusableAudio('There is no sound in it.');
        }
        if ($says + 8 > strlen($bytes) || self::isCutShort($says, $bytes)) {
            throw new UnusableAudio('The header says the file is longer or shorter than its parts are.');
        }

        return self::of($format, $data, $fact);
    }

    public function seconds(): float
    {
        return $this->frames / $this->rate;
    }

    /**
     * All channels as one, a stretch after another: a recording of ten minutes is five million samples, too many to
     * hold as numbers.
     *
     * @return ?\Generator<int, list<int>> 16 bits, signed; null where a sample does not stand for itself
     */
    private function stretches(): ?\Generator
    {
        return $this->codec->isPlain() ? $this->decoded() : null;
    }

    /** @return \Generator<int, list<int>> */
    private function decoded(): \Generator
    {
        $frame = $this->channels * intdiv($this->bits, 8);
        foreach (str_split($this->data, self::STRETCH * max(1, $frame)) as $data) {
            $all = match ($this->codec) {
                Codec::MuLaw => self::looked($data, G711::muLaw()),
                Codec::ALaw => self::looked($data, G711::aLaw()),
                Codec::Float => array_map(
                    static fn (mixed $sample): int => is_float($sample) && is_finite($sample)
                        ? (int) round(max(-1.0, min(1.0, $sample)) * (self::FULL - 1))
                        : 0,
                    array_values((array) unpack('g*', $data)),
                ),
                default => $this->pcm($data),
            };
            yield $this->channels === 1
                ? $all
                : array_map(
                    fn (array $each): int => intdiv(array_sum($each), $this->channels),
                    array_chunk($all, max(2, $this->channels)),
                );
        }
    }

    /**
     * All samples at once, of a short recording.
     *
     * @return ?list<int> 16 bits, signed; null where a sample does not stand for itself
     */
    public function samples(): ?array
    {
        $stretches = $this->stretches();

        return $stretches === null ? null : array_merge(...iterator_to_array($stretches, false));
    }

    /** @return ?Levels null where samples do not stand for themselves */
    public function levels(): ?Levels
    {
        $stretches = $this->stretches();
        if ($stretches === null) {
            return null;
        }
        $peak = $run = $clipped = $place = $last = 0;
        $first = null;
        foreach ($stretches as $samples) {
            foreach ($samples as $sample) {
                $size = abs($sample);
                $peak = max($peak, $size);
                $run = $size >= self::FULL - 1 ? $run + 1 : 0;
                $clipped += $run === self::CLIPPED_RUN ? 1 : 0;
                if ($size > self::QUIET) {
                    $first ??= $place;
                    $last = $place;
                }
                $place++;
            }
        }

        return new Levels(
            $peak === 0 ? null : round(20 * log10($peak / self::FULL), 1),
            $clipped,
            ($first ?? $place) / $this->rate,
            $first === null ? 0.0 : ($place - 1 - $last) / $this->rate,
        );
    }

    /**
     * The outline, for a drawing.
     *
     * @return list<int> the loudest sample of each of as many equal parts, 0 to 100; empty where samples do not stand
     *     for themselves
     */
    public function waveform(int $parts): array
    {
        $parts = min($parts, $this->frames);
        $peaks = array_fill(0, $parts, 0);
        $place = 0;
        foreach ($this->stretches() ?? [] as $samples) {
            foreach ($samples as $sample) {
                $part = intdiv($place++ * $parts + $parts - 1, $this->frames);
                $peaks[min($part, $parts - 1)] = max($peaks[min($part, $parts - 1)], abs($sample));
            }
        }

        return $place === 0
            ? []
            : array_values(array_map(static fn (int $peak): int => (int) round($peak / self::FULL * 100), $peaks));
    }

    /** As sixteen-bit PCM in one channel, which every browser plays. */
    public function asPcm(): string
    {
        $data = '';
        foreach ($this->stretches() ?? [] as $samples) {
            $data .= pack('v*', ...array_map(static fn (int $sample): int => $sample & 0xFFFF, $samples));
        }

        return 'RIFF'
            . pack('V', 36 + strlen($data))
            . 'WAVEfmt '
            . pack('VvvVVvv', 16, 1, 1, $this->rate, $this->rate * 2, 2, 16)
            . 'data'
            . pack('V', strlen($data))
            . $data;
    }

    private static function refuseOthers(string $bytes): void
    {
        $known = [
            "\x89PNG" => 'a picture (PNG)', "\xFF\xD8\xFF" => 'a picture (JPEG)', 'FORM' => 'AIFF, not WAV',
            'ID3' => 'MP3, not WAV', "\xFF\xFB" => 'MP3, not WAV', 'OggS' => 'Ogg, not WAV', 'fLaC' => 'FLAC, not WAV',
            'RF64' => 'RF64, which is for files of more than 4 GB', '%PDF' => 'a document (PDF)',
            "PK\x03\x04" => 'an archive (ZIP)',
        ];
        foreach ($known as $begins => $what) {
            if (str_starts_with($bytes, $begins)) {
                throw new UnusableAudio("This is {$what}. Save it as WAV.");
            }
        }
        if ($bytes === '') {
            throw new UnusableAudio('The file is empty.');
        }
        if (strlen($bytes) < 12 || ! str_starts_with($bytes, 'RIFF') || substr($bytes, 8, 4) !== 'WAVE') {
            throw new UnusableAudio('This is no WAV file, whatever its name says.');
        }
    }

    /** Whether the header's length is not that of the parts; a few stray bytes behind it are nobody's loss. */
    private static function isCutShort(int $says, string $bytes): bool
    {
        $at = 12;
        while (
            $at + 8 <= strlen($bytes)
            && preg_match('/^[\x20-\x7E]{4}$/D', substr($bytes, $at, 4)) === 1
            && $at + 8 + self::whole($bytes, $at + 4) <= strlen($bytes)
        ) {
            $size = self::whole($bytes, $at + 4);
            if (substr($bytes, $at, 4) === 'data') {
                return $at + 8 + $size > $says + 8;
            }
            $at += 8 + $size + ($size & 1);
        }

        return false;
    }

    private static function of(string $format, string $data, ?string $fact): self
    {
        if (strlen($format) < 16) {
            throw new UnusableAudio('The part that says how the samples are written is too short.');
        }
        /** @var array{tag: int, channels: int, rate: int, second: int, block: int, bits: int} $says */
        $says = unpack('vtag/vchannels/Vrate/Vsecond/vblock/vbits', $format);
        $tag = $says['tag'] === self::EXTENSIBLE && strlen($format) >= 26 ? self::short($format, 24) : $says['tag'];
        $codec = Codec::ofTag($tag) ?? throw new UnusableAudio(
            sprintf('Its samples are written in a way (tag 0x%04X) that is not read here. Save it as PCM.', $tag),
        );
        if ($says['channels'] < 1 || $says['channels'] > self::MOST_CHANNELS) {
            throw new UnusableAudio("It says it has {$says['channels']} channels.");
        }
        if ($says['rate'] < self::LEAST_RATE || $says['rate'] > self::MOST_RATE) {
            throw new UnusableAudio("It says it is sampled {$says['rate']} times a second.");
        }
        $bits = $codec->isPlain() ? self::bits($codec, $says['bits']) : $says['bits'];
        if ($codec->isPlain() && $says['block'] !== $says['channels'] * intdiv($bits, 8)) {
            throw new UnusableAudio(
                "It says a sample of all channels takes {$says['block']} bytes, and "
                . $says['channels'] * intdiv($bits, 8)
                . ' are meant.',
            );
        }
        if ($says['block'] === 0 || $codec->isPlain() && strlen($data) % $says['block'] !== 0) {
            throw new UnusableAudio('Its sound ends within a sample.');
        }
        $frames = $codec->isPlain()
            ? intdiv(strlen($data), $says['block'])
            : ($fact !== null && strlen($fact) >= 4 ? self::whole($fact, 0) : 0);

        return $frames > 0
            ? new self($codec, $says['rate'], $says['channels'], $bits, $frames, $data)
            : throw new UnusableAudio('There is no sound in it.');
    }

    private static function bits(Codec $codec, int $bits): int
    {
        $known = match ($codec) {
            Codec::Pcm => [8, 16, 24, 32],
            Codec::Float => [32],
            default => [8],
        };

        return in_array($bits, $known, true)
            ? $bits
            : throw new UnusableAudio(
                "Its samples are {$codec->words()} of {$bits} bits, which is not read here. Save it as PCM of 16.",
            );
    }

    /** @return list<int> */
    private function pcm(string $data): array
    {
        if ($this->bits === 8) {
            return self::looked($data, array_map(static fn (int $octet): int => ($octet - 128) * 256, range(0, 255)));
        }
        $bytes = intdiv($this->bits, 8);
        $high = $bytes === 2
            ? $data
            : implode(
                '',
                array_map(static fn (string $sample): string => substr($sample, -2), str_split($data, max(1, $bytes))),
            );
        $samples = [];
        foreach ((array) unpack('v*', $high) as $sample) {
            $samples[] = is_int($sample) ? ($sample ^ 0x8000) - 0x8000 : 0;
        }

        return $samples;
    }

    /**
     * @param  array<int, int>  $table
     * @return list<int>
     */
    private static function looked(string $data, array $table): array
    {
        $samples = [];
        foreach ((array) unpack('C*', $data) as $octet) {
            $samples[] = is_int($octet) ? $table[$octet] : 0;
        }

        return $samples;
    }

    private static function whole(string $bytes, int $at): int
    {
        $read = unpack('V', substr($bytes, $at, 4) . "\0\0\0\0");

        return $read === false || ! is_int($read[1] ?? null) ? 0 : $read[1];
    }

    private static function short(string $bytes, int $at): int
    {
        return self::whole($bytes, $at) & 0xFFFF;
    }
}
