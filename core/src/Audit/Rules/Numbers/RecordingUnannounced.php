<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Prompt;

/** Calls that are recorded and callers who are not told. */
final readonly class RecordingUnannounced implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.recording-unannounced',
            Severity::Warning,
            'Incoming calls are recorded, and nothing callers hear says so.',
            'In many countries they have to be told, and in some they have to agree.',
            'Say it in the greeting, or do not record.',
            'Canada: PIPEDA, Schedule 1, clause 4.3 (consent); elsewhere by law of the country, from memory and to be '
                . 'checked for the customer',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $recorded = array_values(array_filter(
            $inspection->book->all(Number::class),
            static fn (Number $number): bool => $number->recording['in'] && $number->destination !== null,
        ));
        $told = array_filter(
            $inspection->book->all(Prompt::class),
            static fn (Prompt $prompt): bool => preg_match(
                '/\b(?:record|enregistr|aufgezeichnet|grab)/iu',
                (string) $prompt->script,
            ) === 1 && $inspection->usesOf($prompt) !== [],
        );
        if ($recorded !== [] && $told === []) {
            yield Found::of(
                'Calls are recorded, and callers are not told',
                "Calls to {$inspection->names->listed($recorded)} are; no prompt says so.",
                $recorded[0],
                ...array_slice($recorded, 1),
            )->at('recording/in')->counting(count($recorded));
        }
    }
}
