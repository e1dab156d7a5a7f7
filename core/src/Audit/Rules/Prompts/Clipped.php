<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Prompts;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Prompt;

/** A recording that is too loud. */
final readonly class Clipped implements Rule
{
    public function about(): About
    {
        return new About(
            'prompts.clipped',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Prompt::class) as $prompt) {
            $peak = $prompt->audio['peakDb'] ?? null;
            if (is_numeric($peak) && $peak >= 0 && $inspection->usesOf($prompt) !== []) {
                yield Found::of(['prompt' => $prompt->name], $prompt)->at('audio');
            }
        }
    }
}
