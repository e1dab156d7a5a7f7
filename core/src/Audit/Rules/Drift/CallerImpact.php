<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Drift;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Calls\TwoBooks\TellingCall;

/** What was changed on the switch is noticed by callers. */
final readonly class CallerImpact implements Rule
{
    public function about(): About
    {
        return new About(
            'drift.caller-impact',
            Severity::Error,
            About::MODEL,
            looksAtLive: true,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $difference = $inspection->difference();
        $first = $difference->contrasts[0] ?? null;
        if ($inspection->live !== null && $difference !== null && $first !== null) {
            $words = (string) preg_replace_callback(
                '/\b(?:user|group|chain|attendant|menu|mailbox|announcement|line|prompt|number|outside)'
                    . ':[a-z0-9+][a-z0-9.+-]*/',
                static fn (array $found): string => $inspection->names->of($found[0]),
                $first->words(),
            );
            yield Found::of(
                ['words' => $words],
                $inspection->book->tenant,
            )
                ->counting(count($difference->contrasts))
                ->shownBy(TellingCall::of($inspection->book, $inspection->live, $difference, $first));
        }
    }
}
