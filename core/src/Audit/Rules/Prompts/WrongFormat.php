<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Prompts;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Words\Listing;
use Jaunty\Core\Words\Message;

/** A recording that telephones do not play as it is. */
final readonly class WrongFormat implements Rule
{
    public function about(): About
    {
        return new About(
            'prompts.wrong-format',
            Severity::Warning,
            'ITU-T G.711, 8,000 samples a second',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Prompt::class) as $prompt) {
            $rate = $prompt->audio['rate'] ?? null;
            $channels = $prompt->audio['channels'] ?? null;
            $wrong = array_values(array_filter([
                is_numeric($rate) && (int) $rate !== 8000
                    ? new Message('audio/rate', ['rate' => (string) $rate])
                    : null,
                is_numeric($channels) && (int) $channels !== 1
                    ? new Message('audio/channels', ['channels' => (string) $channels])
                    : null,
            ]));
            if ($wrong !== []) {
                yield Found::of(
                    ['prompt' => $prompt->name, 'wrong' => Listing::of($wrong)],
                    $prompt,
                )->at('audio');
            }
        }
    }
}
