<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Prompts;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Prompt;

/** A prompt with neither sound nor script. */
final readonly class PromptMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'prompts.missing',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Prompt::class) as $prompt) {
            if (
                $prompt->audio === null && trim((string) $prompt->script) === '' && $inspection->usesOf($prompt) !== []
            ) {
                yield Found::of(
                    [
                        'prompt' => $prompt->name,
                        'uses' => $inspection->names->several(array_column($inspection->usesOf($prompt), 0)),
                    ],
                    $prompt,
                )->at('script');
            }
        }
    }
}
