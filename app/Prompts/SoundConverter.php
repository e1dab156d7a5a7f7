<?php

declare(strict_types=1);

namespace App\Prompts;

use Jaunty\Core\Prompts\Codec;
use Jaunty\Core\Prompts\SoundFormat;
use Jaunty\Core\Prompts\UnusableAudio;
use Jaunty\Core\Prompts\WavFile;
use Symfony\Component\Process\Process;

/** Makes a recording what a switch plays, by sox, without dither, so that the same comes out again. */
final readonly class SoundConverter
{
    private const SECONDS = 30;

    /** @throws UnusableAudio */
    public function to(SoundFormat $format, string $wav): string
    {
        if ($format->isOf(WavFile::read($wav))) {
            return $wav;
        }
        $from = $this->temporary($wav);
        $to = $this->temporary('');
        try {
            $written = $format->codec === Codec::Pcm
                ? ['-e', 'signed-integer', '-b', '16']
                : ['-e', $format->codec->value, '-b', '8'];
            $process = new Process(
                [
                    'sox', '-R', '-D', '-t', 'wav', $from, '-t', 'wav', '-r', (string) $format->rate, '-c',
                    (string) $format->channels, ...$written, $to,
                ],
                timeout: self::SECONDS,
            );
            $process->run();
            $made = (string) file_get_contents($to);

            return $process->isSuccessful() && $made !== ''
                ? $made
                : throw new UnusableAudio(
                    'It could not be converted to what the switch plays: '
                    . trim(explode("\n", $process->getErrorOutput())[0])
                    . '.',
                );
        } finally {
            @unlink($from);
            @unlink($to);
        }
    }

    private function temporary(string $content): string
    {
        $file = tempnam(sys_get_temp_dir(), 'sound');
        if ($file === false || file_put_contents($file, $content) === false) {
            throw new \RuntimeException('no temporary file could be written');
        }

        return $file;
    }
}
