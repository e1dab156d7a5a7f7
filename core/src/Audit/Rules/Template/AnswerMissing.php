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
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $unanswered = $inspection->surroundings->unanswered ?? [];
        if ($unanswered !== []) {
            yield Found::of(
                ['n' => count($unanswered), 'unanswered' => implode('; ', $unanswered)],
                $inspection->book->tenant,
            )->counting(count($unanswered));
        }
    }
}
