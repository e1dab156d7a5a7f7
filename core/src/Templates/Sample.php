<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/** What a template gives, seen before anything is answered: the book its questions' own examples make. */
final readonly class Sample
{
    /** A number of the range kept for examples (NANP 555-0100 to 0199), where a question for one has no example. */
    private const NUMBER = '+19025550%03d';

    private const FIRST_NUMBER = 160;

    /** Of no customer: what is made of it goes nowhere. */
    private const TENANT = '00000000-0000-4000-8000-000000000000';

    /**
     * @throws UnusableAnswers where an example is none
     * @throws UnusableTemplate
     */
    public static function of(Template $template, Circumstances $circumstances): Expansion
    {
        $answers = Answers::read($template, self::answers($template), $circumstances);
        if ($answers->faults !== []) {
            throw new UnusableAnswers($answers->faults);
        }

        return Expansion::of($template, $answers, self::TENANT, 'sample');
    }

    /** @return array<string, string> by question; what has neither an example nor to be answered is left out */
    private static function answers(Template $template): array
    {
        $answers = [];
        $numbers = self::FIRST_NUMBER;
        foreach ($template->slots as $slot) {
            $answer = $slot->example ?? $slot->default ?? match ($slot->type) {
                SlotType::Number => sprintf(self::NUMBER, $numbers++),
                SlotType::Choice => (string) array_key_first($slot->options),
                SlotType::YesNo => 'yes',
                default => null,
            };
            if ($answer !== null) {
                $answers[$slot->key] = $answer;
            }
        }

        return $answers;
    }
}
