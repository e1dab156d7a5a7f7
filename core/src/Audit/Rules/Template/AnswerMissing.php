<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Template;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;

/** The template asks what was never answered. */
final readonly class AnswerMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'template.answer-missing',
            Severity::Warning,
            'The template has to know what was never answered for this customer.',
            'It cannot be applied again until it is.',
            'Answer it in the Intake chapter.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $unanswered = $inspection->surroundings->unanswered ?? [];
        if ($unanswered !== []) {
            yield Found::of(
                count($unanswered) === 1
                    ? 'A question of the template has no answer'
                    : count($unanswered) . ' questions of the template have no answer',
                'It asks: ' . implode('; ', $unanswered) . '.',
                $inspection->book->tenant,
            )->counting(count($unanswered));
        }
    }
}
