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
                ['recorded' => $inspection->names->several($recorded)],
                $recorded[0],
                ...array_slice($recorded, 1),
            )->at('recording/in')->counting(count($recorded));
        }
    }
}
