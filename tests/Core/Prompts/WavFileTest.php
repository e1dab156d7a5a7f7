<?php

declare(strict_types=1);

namespace Tests\Core\Prompts;

use Jaunty\Core\Prompts\Codec;
use Jaunty\Core\Prompts\Levels;
use Jaunty\Core\Prompts\SoundFormat;
use Jaunty\Core\Prompts\UnusableAudio;
use Jaunty\Core\Prompts\WavFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * WAV files made byte by byte: what each byte means, and at which byte something is wrong. Against other programs the
 * reader is held by Outside\WavFilesTest.
 */
final class WavFileTest extends TestCase
{
    private const PCM = 1;

    /** @param list<int> $samples */
    #[DataProvider('samples')]
    public function test_samples_are_sixteen_bits_whatever_they_are_written_in(string $wav, array $samples): void
    {
        $file = WavFile::read($wav);

        self::assertSame($samples, $file->samples());
        self::assertSame(count($samples), $file->frames);
        self::assertSame(count($samples) / $file->rate, $file->seconds());
    }

    /** @return iterable<string, array{string, list<int>}> */
    public static function samples(): iterable
    {
        yield 'eight bits, without a sign' => [
            self::wav("\x00\x7F\x80\x81\xFF", bits: 8), [-32_768, -256, 0, 256, 32_512],
        ];
        yield 'sixteen' => [
            self::wav(pack('v*', 0, 1, 0x7FFF, 0x8000, 0xFFFF)), [0, 1, 32_767, -32_768, -1],
        ];
        yield 'twenty-four: the upper sixteen' => [
            self::wav("\x99\x01\x00\x99\xFF\x7F\x99\x00\x80", bits: 24), [1, 32_767, -32_768],
        ];
        yield 'thirty-two: the upper sixteen' => [
            self::wav("\x99\x99\x02\x00\x99\x99\xFE\xFF", bits: 32), [2, -2],
        ];
        yield 'floating point, cut off at full scale' => [
            self::wav(pack('g*', 0.0, 0.5, -0.5, 1.0, -1.0, 2.0, -2.0, NAN, INF), tag: 3, bits: 32),
            [0, 16_384, -16_384, 32_767, -32_767, 32_767, -32_767, 0, 0],
        ];
        // ITU-T G.711, tables 2a and 1a: the ends and the middle of either law, as sixteen bits.
        yield 'mu-law' => [
            self::wav("\xFF\x7F\x00\x80\x70\xF0\x0F\x8F\xEF", tag: 7, bits: 8),
            [0, 0, -32_124, 32_124, -120, 120, -16_764, 16_764, 132],
        ];
        yield 'A-law' => [
            self::wav("\xD5\x55\x2A\xAA\xD4\xC5\x45\x95\xBA", tag: 6, bits: 8),
            [8, -8, -32_256, 32_256, 24, 264, -264, 2_112, 16_128],
        ];
        yield 'two channels as one' => [
            self::wav(pack('v*', 100, 200, 0xFFFF, 0xFFFC, 7, 0), channels: 2), [150, -2, 3],
        ];
        yield 'three channels as one' => [self::wav(pack('v*', 30, 60, 90), channels: 3), [60]];
        yield 'as many channels as there may be' => [self::wav(pack('v*', ...range(1, 8)), channels: 8), [4]];
    }

    public function test_long_recordings_are_read_in_stretches_that_lose_no_sample(): void
    {
        $samples = array_map(static fn (int $place): int => $place % 1_000, range(0, 40_000));

        self::assertSame($samples, WavFile::read(self::wav(pack('v*', ...$samples)))->samples());
        self::assertSame(
            $samples,
            WavFile::read(self::wav(
                pack('v*', ...array_merge(...array_map(static fn (int $each): array => [$each, $each], $samples))),
                channels: 2,
            ))->samples(),
        );
    }

    public function test_parts_are_found_wherever_they_lie_and_odd_ones_are_padded(): void
    {
        $format = 'fmt ' . pack('V', 18) . self::format() . "\0\0";
        $data = 'data' . pack('V', 4) . "\x01\x00\x02\x00";

        self::assertSame([1, 2], WavFile::read(self::riff($format . $data))->samples());
        self::assertSame([1, 2], WavFile::read(self::riff('LIST' . pack('V', 3) . "abc\0{$format}{$data}"))->samples());
        self::assertSame([1, 2], WavFile::read(self::riff("{$data}{$format}"))->samples());
        // The first of two alike is meant.
        $second = 'data' . pack('V', 2) . "\x09\x00";
        self::assertSame([1, 2], WavFile::read(self::riff($format . $data . $second))->samples());
        // A part without content behind it, as some programs leave one, and bytes that are no part's.
        self::assertSame([1, 2], WavFile::read(self::riff($format . $data . 'LIST' . pack('V', 0)))->samples());
        self::assertSame([1, 2], WavFile::read(self::riff($format . $data . "LIST\x01"))->samples());
        // What lies behind the part that the header counts is nobody's.
        self::assertSame([1, 2], WavFile::read(self::riff($format . $data) . 'junk' . pack('V', 9_999))->samples());
        self::assertSame([1, 2], WavFile::read(self::riff($format . $data) . "\0\0\0\0\0\0\0\0\0")->samples());
    }

    #[DataProvider('unusable')]
    public function test_what_contradicts_itself_is_refused_with_what_is_wrong(string $wav, string $why): void
    {
        try {
            WavFile::read($wav);
            self::fail('this was to be refused');
        } catch (UnusableAudio $fault) {
            self::assertSame($why, $fault->getMessage());
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function unusable(): iterable
    {
        $format = 'fmt ' . pack('V', 16) . self::format();
        $data = 'data' . pack('V', 2) . "\0\0";
        $none = 'The part that says how the samples are written ("fmt") is missing.';
        $length = 'The header says the file is longer or shorter than its parts are.';
        yield 'nothing' => ['', 'The file is empty.'];
        yield 'shorter than a header' => [
            'RIFF' . pack('V', 4) . 'WAV',
            'This is no WAV file, whatever its name says.',
        ];
        yield 'of another kind' => [
            'RIFF' . pack('V', 4) . 'AVI ', 'This is no WAV file, whatever its name says.',
        ];
        yield 'not RIFF' => ['RIFX' . pack('V', 4) . 'WAVE', 'This is no WAV file, whatever its name says.'];
        yield 'an MP3' => ['ID3' . str_repeat("\0", 20), 'This is MP3, not WAV. Save it as WAV.'];
        yield 'a header of nothing' => ['RIFF' . pack('V', 3) . 'WAVE', 'The header says the file has no content.'];
        yield 'a header alone' => ['RIFF' . pack('V', 4) . 'WAVE', $none];
        yield 'no format' => [self::riff($data), $none];
        yield 'a part that goes on too long' => [
            self::riff($format . 'data' . pack('V', 3) . "\0\0"),
            'Its part "data" says it has 3 bytes, and the file ends before.',
        ];
        yield 'a part with a wrong length' => [
            self::riff('LIST' . pack('V', 2) . "ab\0\0{$format}{$data}"),
            'At byte 22 the name of a part should stand, and does not: the part before it has a wrong length.',
        ];
        yield 'no data' => [self::riff($format), 'There is no sound in it.'];
        yield 'empty data' => [self::riff($format . 'data' . pack('V', 0)), 'There is no sound in it.'];
        yield 'a header that counts too much' => [
            'RIFF' . pack('V', 4 + strlen($format . $data) + 1) . "WAVE{$format}{$data}", $length,
        ];
        yield 'a header that ends within the sound' => [
            'RIFF' . pack('V', 4 + strlen($format . $data) - 1) . "WAVE{$format}{$data}", $length,
        ];
        $tooShort = 'The part that says how the samples are written is too short.';
        yield 'a format of fifteen bytes' => [
            self::riff('fmt ' . pack('V', 15) . substr(self::format(), 0, 15) . "\0{$data}"), $tooShort,
        ];
        yield 'a tag nobody knows' => [
            self::wav("\0\0", tag: 0x55),
            'Its samples are written in a way (tag 0x0055) that is not read here. Save it as PCM.',
        ];
        $extensible = self::format(tag: 0xFFFE) . pack('vvVv', 22, 16, 0, self::PCM);
        yield 'an extensible format that ends before its tag' => [
            self::riff('fmt ' . pack('V', 25) . substr($extensible, 0, 25) . "\0{$data}"),
            'Its samples are written in a way (tag 0xFFFE) that is not read here. Save it as PCM.',
        ];
        yield 'no channel' => [self::wav("\0\0", channels: 0, block: 2), 'It says it has 0 channels.'];
        yield 'nine channels' => [self::wav(str_repeat("\0", 18), channels: 9), 'It says it has 9 channels.'];
        yield 'too slow' => [self::wav("\0\0", rate: 3_999), 'It says it is sampled 3999 times a second.'];
        yield 'too fast' => [self::wav("\0\0", rate: 192_001), 'It says it is sampled 192001 times a second.'];
        yield 'PCM of twelve bits' => [
            self::wav("\0\0", bits: 12),
            'Its samples are PCM of 12 bits, which is not read here. Save it as PCM of 16.',
        ];
        yield 'floating point of 64' => [
            self::wav(str_repeat("\0", 8), tag: 3, bits: 64),
            'Its samples are floating point of 64 bits, which is not read here. Save it as PCM of 16.',
        ];
        yield 'A-law of sixteen' => [
            self::wav("\0\0", tag: 6),
            'Its samples are G.711 A-law of 16 bits, which is not read here. Save it as PCM of 16.',
        ];
        yield 'a block that does not fit' => [
            self::wav("\0\0\0", block: 3), 'It says a sample of all channels takes 3 bytes, and 2 are meant.',
        ];
        yield 'two channels in the block of one' => [
            self::wav("\0\0", channels: 2, block: 2),
            'It says a sample of all channels takes 2 bytes, and 4 are meant.',
        ];
        yield 'an end within a sample' => [self::wav("\0\0\0"), 'Its sound ends within a sample.'];
        yield 'blocks of nothing' => [self::wav('abcd', tag: 0x31, block: 0), 'Its sound ends within a sample.'];
        yield 'a codec that does not say how long it is' => [
            self::wav('abcd', tag: 0x31, block: 65), 'There is no sound in it.',
        ];
        yield 'or says it in three bytes' => [
            self::wav('abcd', tag: 0x31, block: 65, fact: "\x05\0\0"), 'There is no sound in it.',
        ];
    }

    public function test_the_slowest_fastest_and_widest_are_read(): void
    {
        self::assertSame(4_000, WavFile::read(self::wav("\0\0", rate: 4_000))->rate);
        self::assertSame(192_000, WavFile::read(self::wav("\0\0", rate: 192_000))->rate);
        self::assertSame(1, WavFile::read(self::wav("\0\0"))->channels);
        self::assertSame(8, WavFile::read(self::wav(str_repeat("\0", 16), channels: 8))->channels);
        $extensible = self::format(tag: 0xFFFE) . pack('vvVv', 22, 16, 0, self::PCM);
        $data = 'data' . pack('V', 2) . "\x05\0";
        self::assertSame(
            [Codec::Pcm, [5]],
            (static fn (WavFile $file): array => [$file->codec, $file->samples()])(
                WavFile::read(self::riff('fmt ' . pack('V', 26) . "{$extensible}{$data}")),
            ),
        );
    }

    public function test_what_does_not_stand_for_itself_has_a_length_and_no_samples(): void
    {
        $file = WavFile::read(self::wav('abcd', tag: 0x11, bits: 4, block: 4, fact: pack('V', 16_000)));

        self::assertSame([Codec::ImaAdpcm, 16_000, 2.0], [$file->codec, $file->frames, $file->seconds()]);
        self::assertNull($file->samples());
        self::assertNull($file->levels());
        self::assertSame([], $file->waveform(10));
    }

    public function test_levels_tell_the_loudest_what_is_cut_off_and_silence_at_either_end(): void
    {
        $of = static fn (int ...$samples): ?Levels => WavFile::read(self::wav(
            pack('v*', ...array_map(static fn (int $sample): int => $sample & 0xFFFF, $samples)),
            rate: 4_000,
        ))->levels();
        $silence = array_fill(0, 4_000, 0);

        self::assertEquals(new Levels(0.0, 0, 0.0, 0.0), $of(-32_768));
        self::assertEquals(new Levels(-6.0, 0, 0.0, 0.0), $of(16_384, 16_384));
        self::assertEquals(new Levels(-20.0, 0, 1.0, 0.5), $of(...$silence, ...[3_277], ...array_fill(0, 2_000, 0)));
        self::assertEquals(new Levels(null, 0, 1.0, 0.0), $of(...$silence));
        // A hiss is silence, a little more is none.
        self::assertEquals(new Levels(-50.0, 0, 0.5, 0.0), $of(...array_fill(0, 2_000, 104)));
        self::assertEquals(new Levels(-49.9, 0, 0.0, 0.0), $of(...array_fill(0, 2_000, 105)));
        // Once is a wave that touches full scale, twice in a row it was cut off, and a long run is one place.
        self::assertSame(0, $of(32_767, 0, 32_767, 0)->clipped ?? null);
        self::assertSame(1, $of(32_767, 32_767, 0)->clipped ?? null);
        self::assertSame(2, $of(32_767, -32_768, 32_767, 32_766, 32_767, 32_767)->clipped ?? null);
        self::assertSame(0, $of(32_766, 32_766, 32_766)->clipped ?? null);
    }

    public function test_the_outline_has_the_loudest_of_each_part(): void
    {
        $file = WavFile::read(self::wav(pack('v*', 0, 3_277, 16_384, 0, 0x8000, 0, 0, 328)));

        self::assertSame([10, 50, 100, 1], $file->waveform(4));
        self::assertSame([50, 100], $file->waveform(2));
        self::assertSame([0, 10, 50, 0, 100, 0, 0, 1], $file->waveform(100));
        self::assertSame([100], $file->waveform(1));
    }

    public function test_browsers_get_sixteen_bits_in_one_channel(): void
    {
        $pcm = WavFile::read(self::wav(pack('v*', 100, 300, 0x8000, 0x8000), channels: 2, rate: 11_025))->asPcm();

        self::assertSame(
            'RIFF' . pack('V', 40) . 'WAVEfmt ' . pack('VvvVVvv', 16, 1, 1, 11_025, 22_050, 2, 16)
                . 'data' . pack('V', 4) . pack('v*', 200, 0x8000),
            $pcm,
        );
    }

    public function test_what_a_listener_would_mind(): void
    {
        self::assertSame([], (new Levels(-20.0, 0, 0.9, 1.9))->remarks());
        self::assertSame(
            [
                'is quiet: -20.1 dB at its loudest', 'crackles: it is too loud in 1 place',
                'begins with 1.0 s of silence', 'ends with 2.0 s of silence',
            ],
            (new Levels(-20.1, 1, 1.0, 2.0))->remarks(),
        );
        self::assertSame(['crackles: it is too loud in 2 places'], (new Levels(-1.0, 2, 0.0, 0.0))->remarks());
        self::assertSame(['is silent'], (new Levels(null, 0, 5.0, 0.0))->remarks());
    }

    public function test_a_switch_plays_what_is_written_just_so_and_no_longer_than_it_can(): void
    {
        $telephone = SoundFormat::telephone(2);
        $exact = WavFile::read(self::wav(str_repeat("\xFF", 16_000), tag: 7, bits: 8));

        self::assertTrue($telephone->isOf($exact));
        self::assertFalse($telephone->isOf(WavFile::read(self::wav("\xFF", tag: 6, bits: 8))));
        self::assertFalse($telephone->isOf(WavFile::read(self::wav("\xFF", tag: 7, bits: 8, rate: 16_000))));
        self::assertFalse($telephone->isOf(WavFile::read(self::wav("\xFF\xFF", tag: 7, bits: 8, channels: 2))));
        $telephone->refuseTooLong($exact);
        $this->expectExceptionMessage('It lasts 3 s, and the switch plays 2 at most.');
        $telephone->refuseTooLong(WavFile::read(self::wav(str_repeat("\xFF", 16_001), tag: 7, bits: 8)));
    }

    private static function format(
        int $tag = self::PCM,
        int $channels = 1,
        int $rate = 8_000,
        int $bits = 16,
        ?int $block = null,
    ): string {
        $block ??= $channels * intdiv($bits, 8);

        return pack('vvVVvv', $tag, $channels, $rate, $rate * $block, $block, $bits);
    }

    private static function wav(
        string $data,
        int $tag = self::PCM,
        int $channels = 1,
        int $rate = 8_000,
        int $bits = 16,
        ?int $block = null,
        ?string $fact = null,
    ): string {
        $pad = static fn (string $part): string => strlen($part) % 2 === 1 ? "\0" : '';

        return self::riff(
            'fmt ' . pack('V', 16) . self::format($tag, $channels, $rate, $bits, $block)
            . ($fact === null ? '' : 'fact' . pack('V', strlen($fact)) . $fact . $pad($fact))
            . 'data' . pack('V', strlen($data)) . $data . $pad($data),
        );
    }

    private static function riff(string $parts): string
    {
        return 'RIFF' . pack('V', 4 + strlen($parts)) . 'WAVE' . $parts;
    }
}
