<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Prompts;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Book\Stage;

/** A script that nobody has spoken. */
final readonly class NotRecorded implements Rule
{
    public function about(): About
    {
        return new About(
            'prompts.not-recorded',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        if ($inspection->book->tenant->state !== Stage::InService) {
            return;
        }
        $open = array_values(array_filter(
            $inspection->book->all(Prompt::class),
            static fn (Prompt $prompt): bool => $prompt->audio === null
                && trim((string) $prompt->script) !== ''
                && $inspection->usesOf($prompt) !== [],
        ));
        if ($open !== []) {
            yield Found::of(
                ['n' => count($open), 'first' => $open[0]->name, 'open' => $inspection->names->several($open)],
                $open[0],
                ...array_slice($open, 1),
            )->at('audio')->counting(count($open));
        }
    }
}
