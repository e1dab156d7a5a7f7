<?php

declare(strict_types=1);

namespace App\Prompts;

use Jaunty\Core\Prompts\UnusableAudio;
use Jaunty\Core\Prompts\WavFile;
use Symfony\Component\Process\Process;

/** Makes a recording what telephones play: 8 kHz, one channel, mu-law (ITU-T G.711); by sox, without dither, so that the same comes out again. */
final readonly class SoundConverter
{
    private const SECONDS = 30;

    /** @throws UnusableAudio */
    public function toTelephone(string $wav): string
    {
        if (WavFile::read($wav)->isG711Mono()) {
            return $wav;
        }
        $from = $this->temporary($wav);
        $to = $this->temporary('');
        try {
            // The conversion gives some headroom: what is loud at one rate is louder between the samples of another.
            $process = new Process(['sox', '-R', '-D', '-t', 'wav', $from, '-t', 'wav', '-r', '8000', '-c', '1', '-e', 'mu-law', '-b', '8', $to], timeout: self::SECONDS);
            $process->run();
            $made = (string) file_get_contents($to);

            return $process->isSuccessful() && $made !== '' ? $made : throw new UnusableAudio('It could not be converted to what telephones play: ' . trim(explode("\n", $process->getErrorOutput())[0]) . '.');
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
