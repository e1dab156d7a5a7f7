<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Prompts;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Prompt;

/** A greeting in another language than the attendant speaks. */
final readonly class LanguageDiffers implements Rule
{
    public function about(): About
    {
        return new About(
            'prompts.language-differs',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Attendant::class) as $attendant) {
            foreach ($attendant->answers as $answer) {
                $prompt = $inspection->find($answer['greeting'], Prompt::class);
                $language = $attendant->language ?? $inspection->book->tenant->language;
                if ($prompt !== null && explode('-', $prompt->language)[0] !== explode('-', $language)[0]) {
                    yield Found::of(
                        [
                            'attendant' => $attendant->name,
                            'language' => $language,
                            'prompt' => $prompt->name,
                            'spoken' => $prompt->language,
                            'when' => $answer['when'],
                        ],
                        $attendant,
                        $prompt,
                    )->at("answers/{$answer['item']}/greeting", $answer['item']);
                }
            }
        }
    }
}
