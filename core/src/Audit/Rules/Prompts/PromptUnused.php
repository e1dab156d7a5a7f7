<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Prompts;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Change\Operation;

/** A prompt nobody plays. */
final readonly class PromptUnused implements Rule
{
    public function about(): About
    {
        return new About(
            'prompts.unused',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Prompt::class) as $prompt) {
            if ($inspection->usesOf($prompt) === []) {
                yield Found::of(
                    ['prompt' => $prompt->name],
                    $prompt,
                )->fixedBy(Fix::of('Take it away', Operation::delete($prompt)));
            }
        }
    }
}
