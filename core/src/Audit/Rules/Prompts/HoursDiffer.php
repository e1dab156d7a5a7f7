<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Prompts;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Hours\SpokenHours;
use Jaunty\Core\Hours\WeekPattern;

/** Callers are told hours that are not kept. */
final readonly class HoursDiffer implements Rule
{
    /** From a day of the week to the last time after it: "Monday to Friday, 8 to 5". */
    private const HOURS = '/\b(?:mon|tues?|wed|thu(?:rs)?|fri|satur|sun)(?:day|nesday)?s?\b[^.;!?]*?\d'
        . '[^.;!?]*\b(?:to|until|till)\b\s*\d{1,2}(?:[:.]\d{2})?\s*(?:am|pm|a\.m\.|p\.m\.)?/iu';

    /** As hours are spoken. */
    private const NUMBERS = [
        'one' => '1', 'two' => '2', 'three' => '3', 'four' => '4', 'five' => '5', 'six' => '6', 'seven' => '7',
        'eight' => '8', 'nine' => '9', 'ten' => '10', 'eleven' => '11', 'twelve' => '12',
    ];

    public function about(): About
    {
        return new About(
            'prompts.hours-differ',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $told = [];
        foreach ($inspection->book->all(Attendant::class) as $attendant) {
            $schedule = $inspection->find($attendant->schedule, Schedule::class);
            foreach ($schedule === null ? [] : $attendant->answers as $answer) {
                $prompt = $inspection->find($answer['greeting'], Prompt::class);
                $spoken = $prompt === null ? null : $this->spoken($inspection, $prompt);
                if ($prompt !== null) {
                    $told[$prompt->key] = true;
                }
                if (
                    $prompt !== null && $schedule !== null && $spoken !== null && ! self::keeps($schedule, $spoken[1])
                ) {
                    yield Found::of(
                        ['prompt' => $prompt->name, 'schedule' => $schedule->name, 'first' => $spoken[0]],
                        $prompt,
                        $schedule,
                        $attendant,
                    )->at('script');
                }
            }
        }
        yield from $this->elsewhere($inspection, $told);
    }

    /**
     * What is played anywhere else, such as the announcement behind "for our opening hours", is held against all the
     * hours there are.
     *
     * @param  array<string, true>  $told  prompts that were looked at
     * @return iterable<Found>
     */
    private function elsewhere(Inspection $inspection, array $told): iterable
    {
        $schedules = array_values(array_filter(
            $inspection->book->all(Schedule::class),
            static fn (Schedule $schedule): bool => $schedule->weekly !== [] && $inspection->usesOf($schedule) !== [],
        ));
        foreach ($schedules === [] ? [] : $inspection->book->all(Prompt::class) as $prompt) {
            $spoken = isset($told[$prompt->key]) || $inspection->usesOf($prompt) === []
                ? null
                : $this->spoken($inspection, $prompt);
            $kept = $spoken === null
                ? []
                : array_filter($schedules, static fn (Schedule $schedule): bool => self::keeps($schedule, $spoken[1]));
            if ($spoken !== null && $kept === []) {
                yield Found::of(
                    [
                        'prompt' => $prompt->name,
                        'first' => $spoken[0],
                        'schedules' => $inspection->names->several($schedules),
                        'n' => count($schedules),
                    ],
                    $prompt,
                    $schedules[0],
                )->saying('nowhere')->at('script');
            }
        }
    }

    /**
     * @return ?array{string, list<mixed>} what a script says of hours, and the week it is; null where it says none that
     *     can be read
     */
    private function spoken(Inspection $inspection, Prompt $prompt): ?array
    {
        if (! str_starts_with(strtolower($prompt->language), 'en')) {
            return null;
        }
        $script = (string) preg_replace_callback(
            '/\b(?:' . implode('|', array_keys(self::NUMBERS)) . ')\b/iu',
            static fn (array $found): string => self::NUMBERS[strtolower($found[0])],
            (string) $prompt->script,
        );
        if (preg_match(self::HOURS, $script, $found) !== 1) {
            return null;
        }
        $read = SpokenHours::read($found[0], $inspection->day->number())['schedule'];

        return $read === null || $read['periods'] !== [] ? null : [$found[0], $read['weekly']];
    }

    /** @param list<mixed> $weekly as the tenant book writes it */
    private static function keeps(Schedule $schedule, array $weekly): bool
    {
        $kept = WeekPattern::of($schedule->weekly)->byWeekday();
        $spoken = WeekPattern::of(
            Schedule::read(Node::of(['key' => 'spoken', 'weekly' => $weekly], 'spoken'))->weekly,
        )->byWeekday();

        // Only days that are named can be wrong: "Monday to Friday" leaves open what is on Saturday.
        return array_filter(
            $spoken,
            static fn (array $hours, int $day): bool => $hours !== [] && $hours !== $kept[$day],
            ARRAY_FILTER_USE_BOTH,
        ) === [];
    }
}
