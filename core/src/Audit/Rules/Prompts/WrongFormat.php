<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Prompts;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Prompt;

/** A recording that telephones do not play as it is. */
final readonly class WrongFormat implements Rule
{
    public function about(): About
    {
        return new About(
            'prompts.wrong-format',
            Severity::Warning,
            'A recording is not mono, or not sampled 8,000 times a second.',
            'The switch refuses it or converts it, and what callers hear is not what was listened to.',
            'Convert it to 8 kHz mono before it is uploaded.',
            'ITU-T G.711, 8,000 samples a second',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Prompt::class) as $prompt) {
            $rate = $prompt->audio['rate'] ?? null;
            $channels = $prompt->audio['channels'] ?? null;
            $wrong = array_values(array_filter([
                is_numeric($rate) && (int) $rate !== 8000 ? "{$rate} samples a second" : null,
                is_numeric($channels) && (int) $channels !== 1 ? "{$channels} channels" : null,
            ]));
            if ($wrong !== []) {
                yield Found::of(
                    "{$prompt->name} has " . implode(' and ', $wrong),
                    'Telephones play 8000 samples a second in one channel.',
                    $prompt,
                )->at('audio');
            }
        }
    }
}
