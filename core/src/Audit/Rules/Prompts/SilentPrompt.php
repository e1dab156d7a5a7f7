<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Prompts;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
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
            thresholds: [Threshold::QuietestPeakDb],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Prompt::class) as $prompt) {
            $peak = $prompt->audio['peakDb'] ?? null;
            if (
                is_numeric($peak)
                && $peak < $inspection->threshold(Threshold::QuietestPeakDb)
                && $inspection->usesOf($prompt) !== []
            ) {
                yield Found::of(['prompt' => $prompt->name, 'peak' => (string) $peak], $prompt)->at(
                    'audio',
                );
            }
        }
    }
}
