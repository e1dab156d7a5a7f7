<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Prompts;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\Prompt;

/** A recording on which nothing is to be heard. */
final readonly class SilentPrompt implements Rule
{
    public function about(): About
    {
        return new About(
            'prompts.silent',
            Severity::Error,
            'A recording is silent.',
            'Callers hear nothing and hang up.',
            'Record it again, and listen to it.',
            thresholds: [Threshold::QuietestPeakDb],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Prompt::class) as $prompt) {
            $peak = $prompt->audio['peakDb'] ?? null;
            if (is_numeric($peak) && $peak < $inspection->threshold(Threshold::QuietestPeakDb) && $inspection->usesOf($prompt) !== []) {
                yield Finding::of($this->about(), "{$prompt->name} is silent", "Its loudest place is at {$peak} dB.", $prompt)->at('audio');
            }
        }
    }

    public function samples(): Samples
    {
        $prompt = static fn (float $peak): array => ['key' => 'hello', 'name' => 'Hello', 'script' => 'Thank you for calling.', 'audio' => ['seconds' => 3, 'rate' => 8000, 'channels' => 1, 'codec' => 'mulaw', 'peakDb' => $peak, 'sha256' => str_repeat('a', 64)]];

        return Samples::of(['prompts' => [$prompt(-3.0)], 'announcements' => [['key' => 'hello', 'prompt' => 'prompt:hello']], 'numbers' => [['key' => Samples::NUMBER, 'destination' => 'announcement:hello']]], ['prompts' => [$prompt(-70.0)]]);
    }
}
