<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Prompts;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
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
    private const HOURS = '/\b(?:mon|tues?|wed|thu(?:rs)?|fri|satur|sun)(?:day|nesday)?s?\b[^.;!?]*?\d[^.;!?]*\b(?:to|until|till)\b\s*\d{1,2}(?:[:.]\d{2})?\s*(?:am|pm|a\.m\.|p\.m\.)?/iu';

    public function about(): About
    {
        return new About(
            'prompts.hours-differ',
            Severity::Warning,
            'A script names opening hours that its schedule does not keep.',
            'Callers come or call when nobody is there, or believe that nobody is.',
            'Change the script, or the schedule, and have it recorded anew.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Attendant::class) as $attendant) {
            $schedule = $inspection->find($attendant->schedule, Schedule::class);
            foreach ($schedule === null ? [] : $attendant->answers as $answer) {
                $prompt = $inspection->find($answer['greeting'], Prompt::class);
                $said = $prompt !== null && str_starts_with(strtolower($prompt->language), 'en') && preg_match(self::HOURS, (string) $prompt->script, $found) === 1 ? $found[0] : null;
                $told = $said === null ? null : SpokenHours::read($said, $inspection->today())['schedule'];
                if ($prompt === null || $schedule === null || $told === null || $told['periods'] !== []) {
                    continue;
                }
                $kept = WeekPattern::of($schedule->weekly)->byWeekday();
                $spoken = WeekPattern::of(Schedule::read(Node::of(['key' => 'spoken', 'weekly' => $told['weekly']], 'spoken'))->weekly)->byWeekday();
                // Only days that are named can be wrong: "Monday to Friday" leaves open what is on Saturday.
                $wrong = array_filter($spoken, static fn (array $hours, int $day): bool => $hours !== [] && $hours !== $kept[$day], ARRAY_FILTER_USE_BOTH);
                if ($wrong !== []) {
                    yield Finding::of($this->about(), "{$prompt->name}: callers are told other hours than {$schedule->name} keeps", "They hear: \"{$said}\".", $prompt, $schedule, $attendant)->at('script');
                }
            }
        }
    }

    public function samples(): Samples
    {
        $prompt = static fn (string $hours): array => ['key' => 'closed', 'name' => 'Closed', 'script' => "We are closed. Our hours are {$hours}. Please leave a message."];
        $base = ['schedules' => [['key' => 'day', 'name' => 'Hours', 'weekly' => [['item' => 'week', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri'], 'from' => '08:00', 'to' => '17:00']]]], 'mailboxes' => [['key' => 'a', 'notify' => ['a@inlet.example']]], 'numbers' => [['key' => Samples::NUMBER, 'destination' => 'attendant:front']], 'attendants' => [['key' => 'front', 'name' => 'Front', 'schedule' => 'schedule:day', 'answers' => [['item' => 'open', 'when' => 'open', 'then' => 'mailbox:a'], ['item' => 'closed', 'when' => 'closed', 'greeting' => 'prompt:closed', 'then' => 'mailbox:a']]]]];

        return Samples::of($base + ['prompts' => [$prompt('Monday to Friday, 8 to 5')]], ['prompts' => [$prompt('Monday to Friday, 9 to 5')]]);
    }
}
