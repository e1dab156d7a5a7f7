<?php

declare(strict_types=1);

namespace Jaunty\Core\Prompts;

/** How samples are written in a WAV file. */
enum Codec: string
{
    case Pcm = 'pcm';
    case Float = 'float';
    case ALaw = 'a-law';
    case MuLaw = 'mu-law';
    case ImaAdpcm = 'ima-adpcm';
    case Gsm = 'gsm';

    /** By the format tags of RFC 2361. */
    public static function ofTag(int $tag): ?self
    {
        return match ($tag) {
            0x0001 => self::Pcm,
            0x0003 => self::Float,
            0x0006 => self::ALaw,
            0x0007 => self::MuLaw,
            0x0011 => self::ImaAdpcm,
            0x0031 => self::Gsm,
            default => null,
        };
    }

    /** Whether each sample stands for itself, so that levels can be read here. */
    public function isPlain(): bool
    {
        return $this !== self::ImaAdpcm && $this !== self::Gsm;
    }

    public function words(): string
    {
        return match ($this) {
            self::Pcm => 'PCM',
            self::Float => 'floating point',
            self::ALaw => 'G.711 A-law',
            self::MuLaw => 'G.711 mu-law',
            self::ImaAdpcm => 'IMA ADPCM',
            self::Gsm => 'GSM 6.10',
        };
    }
}
