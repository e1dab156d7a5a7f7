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

/** A prompt still spoken by a stand-in voice. */
final readonly class StandInVoice implements Rule
{
    public function about(): About
    {
        return new About(
            'prompts.stand-in-voice',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $standIns = array_values(array_filter(
            $inspection->book->all(Prompt::class),
            static fn (Prompt $prompt): bool => $prompt->standIn && $inspection->usesOf($prompt) !== [],
        ));
        if ($standIns !== [] && $inspection->book->tenant->state === Stage::InService) {
            yield Found::of(
                ['n' => count($standIns), 'first' => $standIns[0]->name],
                $standIns[0],
                ...array_slice($standIns, 1),
            )->at('standIn')->counting(count($standIns));
        }
    }
}
