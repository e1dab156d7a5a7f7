<?php

declare(strict_types=1);

namespace Tests\Outside;

use Jaunty\Core\Prompts\Codec;
use Jaunty\Core\Prompts\G711;
use Jaunty\Core\Prompts\SoundFormat;
use Jaunty\Core\Prompts\UnusableAudio;
use Jaunty\Core\Prompts\WavFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Recordings made and broken with sox, with what sox and ffprobe say of each (tests/data/wav_manifest.csv); samples as
 * both decode them.
 */
final class WavFilesTest extends TestCase
{
    private const CODECS = [
        'Signed Integer PCM' => Codec::Pcm, 'Unsigned Integer PCM' => Codec::Pcm, 'u-law' => Codec::MuLaw,
        'A-law' => Codec::ALaw, 'GSM' => Codec::Gsm, 'IMA ADPCM' => Codec::ImaAdpcm,
    ];

    /** What each broken file is, in words of its refusal. */
    private const BROKEN = [
        'aiff_named.wav' => 'AIFF', 'bad_block_align.wav' => 'takes', 'bad_channels_zero.wav' => '0 channels',
        'bad_data_size_too_big.wav' => 'the file ends before', 'bad_empty.wav' => 'empty',
        'bad_format_tag.wav' => 'Save it as PCM',
        'bad_header_only.wav' => 'no sound', 'bad_no_fmt.wav' => 'is missing', 'bad_not_wave.wav' => 'no WAV file',
        'bad_odd_chunk_unpadded.wav' => 'wrong length', 'bad_png_named.wav' => 'PNG',
        'bad_rate_zero.wav' => '0 times a second',
        'bad_riff_size.wav' => 'header says', 'bad_truncated_data.wav' => 'ends before', 'rf64_8k.wav' => 'RF64',
    ];

    /** @return iterable<string, array{array<string, string>}> */
    public static function sound(): iterable
    {
        foreach (self::rows('wav_manifest.csv') as $row) {
            if (! isset(self::BROKEN[$row['file']])) {
                yield $row['file'] => [$row];
            }
        }
    }

    /** @param array<string, string> $said by sox and ffprobe */
    #[DataProvider('sound')]
    public function test_a_sound_file_has_the_facts_that_sox_finds(array $said): void
    {
        $file = WavFile::read(self::bytes($said['file']));

        self::assertSame(
            [self::CODECS[$said['sox_encoding']], (int) $said['sox_rate'], (int) $said['sox_channels']],
            [$file->codec, $file->rate, $file->channels],
        );
        // Of codecs that write blocks sox counts what fills them; the header says how many are meant.
        self::assertEqualsWithDelta((int) $said['sox_samples'], $file->frames, $file->codec->isPlain() ? 0 : 320);
        self::assertSame($file->codec->isPlain(), $file->levels() !== null);
    }

    /** @return iterable<string, array{string, string}> */
    public static function broken(): iterable
    {
        foreach (self::BROKEN as $file => $why) {
            yield $file => [$file, $why];
        }
    }

    #[DataProvider('broken')]
    public function test_a_broken_file_is_refused_and_says_what_is_wrong_with_it(string $file, string $why): void
    {
        try {
            WavFile::read(self::bytes($file));
            self::fail('it was read');
        } catch (UnusableAudio $fault) {
            self::assertStringContainsString($why, $fault->getMessage());
        }
    }

    public function test_every_file_of_the_collection_is_looked_at(): void
    {
        $files = array_column(iterator_to_array(self::rows('wav_manifest.csv'), false), 'file');

        self::assertSame([], array_diff(array_keys(self::BROKEN), $files));
        self::assertSame([], array_diff($files, array_map(basename(...), (array) glob(
            dirname(__DIR__) . '/data/wav/*',
        ))));
    }

    public function test_telephone_samples_are_what_sox_and_ffmpeg_decode(): void
    {
        $rows = iterator_to_array(self::rows('g711_decode.csv'), false);

        self::assertCount(256, $rows);
        foreach ($rows as $row) {
            self::assertSame(
                [(int) $row['ulaw_linear16'], (int) $row['alaw_linear16']],
                [G711::muLaw()[(int) $row['code']], G711::aLaw()[(int) $row['code']]],
                "octet {$row['code']}",
            );
        }
    }

    /** The longest recording that is taken: its samples are looked at a stretch after another. */
    public function test_ten_minutes_are_looked_at_without_holding_all_samples(): void
    {
        $data = str_repeat("\x80\x7F\x00\xFF", 8_000 * 600 / 4);
        $wav = 'RIFF'
            . pack('V', 36 + strlen($data))
            . 'WAVEfmt '
            . pack('VvvVVvv', 16, 7, 1, 8_000, 8_000, 1, 8)
            . 'data'
            . pack('V', strlen($data))
            . $data;
        unset($data);
        $file = WavFile::read($wav);
        memory_reset_peak_usage();
        $before = memory_get_usage();

        $levels = $file->levels();
        $outline = $file->waveform(200);
        $pcm = $file->asPcm();

        self::assertSame([600.0, 200, 44 + 2 * 4_800_000], [$file->seconds(), count($outline), strlen($pcm)]);
        self::assertNotNull($levels?->peakDb);
        self::assertLessThan(40_000_000, memory_get_peak_usage() - $before);
    }

    public function test_levels_are_read_from_the_samples(): void
    {
        $of = static fn (string $file): \Jaunty\Core\Prompts\Levels => WavFile::read(self::bytes($file))->levels()
            ?? throw new \LogicException($file);

        self::assertNull($of('ok_8k_silence.wav')->peakDb);
        self::assertSame(['is silent'], $of('ok_8k_silence.wav')->remarks());
        self::assertGreaterThan(0, $of('clipped_8k.wav')->clipped);
        self::assertSame(0, $of('ok_8k_mono_pcm16.wav')->clipped);
        // The same tone in every form is as loud, within what eight bits tell.
        foreach (
            [
                'ok_8k_mono_pcm8.wav', 'ok_8k_mono_ulaw.wav', 'ok_8k_mono_alaw.wav', 'ok_8k_list_info.wav',
                'ok_trailing_junk.wav',
            ] as $file
        ) {
            self::assertEqualsWithDelta($of('ok_8k_mono_pcm16.wav')->peakDb, $of($file)->peakDb, 0.5, $file);
        }
    }

    public function test_what_a_switch_plays_is_told_from_what_it_does_not(): void
    {
        $telephone = SoundFormat::telephone(1);

        self::assertTrue($telephone->isOf(WavFile::read(self::bytes('ok_8k_mono_ulaw.wav'))));
        foreach (['ok_8k_mono_alaw.wav', 'ok_8k_mono_pcm16.wav', 'ok_44k_stereo_pcm16.wav'] as $other) {
            self::assertFalse($telephone->isOf(WavFile::read(self::bytes($other))), $other);
        }
        $telephone->refuseTooLong(WavFile::read(self::bytes('ok_8k_mono_ulaw.wav')));
        $this->expectExceptionMessage('plays 0 at most');
        SoundFormat::telephone(0)->refuseTooLong(WavFile::read(self::bytes('ok_8k_mono_ulaw.wav')));
    }

    public function test_what_is_written_for_browsers_is_read_again_as_the_same_sound(): void
    {
        foreach (['ok_8k_mono_ulaw.wav', 'ok_8k_mono_pcm16.wav', 'ok_44k_stereo_pcm16.wav'] as $name) {
            $file = WavFile::read(self::bytes($name));
            $again = WavFile::read($file->asPcm());
            self::assertSame(
                [$file->samples(), $file->rate, 1],
                [$again->samples(), $again->rate, $again->channels],
                $name,
            );
        }
    }

    /** Whatever a file is cut to or changed in, it is read or refused, never worse. */
    public function test_no_cut_and_no_changed_byte_breaks_the_reader(): void
    {
        $whole = self::bytes('ok_8k_list_info.wav');
        $refused = 0;
        for ($at = 0; $at < 120; $at++) {
            foreach (
                [
                    substr($whole, 0, $at),
                    substr_replace($whole, "\xFF", $at, 1),
                    substr_replace($whole, "\x00", $at, 1),
                ] as $bytes
            ) {
                try {
                    self::assertGreaterThan(0, WavFile::read($bytes)->frames);
                } catch (UnusableAudio $fault) {
                    self::assertNotSame('', $fault->getMessage());
                    $refused++;
                }
            }
        }
        self::assertGreaterThan(120, $refused);
    }

    private static function bytes(string $file): string
    {
        return (string) file_get_contents(dirname(__DIR__) . "/data/wav/{$file}");
    }

    /** @return iterable<int, array<string, string>> */
    private static function rows(string $file): iterable
    {
        $lines = array_values(array_filter(
            (array) file(dirname(__DIR__) . "/data/{$file}", FILE_IGNORE_NEW_LINES),
            static fn (mixed $line): bool => is_string($line) && ! str_starts_with($line, '#'),
        ));
        $names = str_getcsv((string) $lines[0]);
        foreach (array_slice($lines, 1) as $line) {
            yield array_combine(array_map(strval(...), $names), array_map(strval(...), str_getcsv((string) $line)));
        }
    }
}
