<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;

/** Help services that call back hear a recording before anybody rings. */
final readonly class CallbackGreeted implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.callback-greeted',
            Severity::Warning,
            'The number shown to help services plays a greeting, a menu or an announcement before anybody rings.',
            'A dispatcher who calls back must reach a person at once, and presses no keys.',
            'Show a number that rings people without a word before.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->callbackNumbers() as $shown) {
            $heard = $shown->heard();
            if ($shown->unanswered !== [] || $heard === null) {
                continue;
            }
            [$run, $what] = $heard;
            $at = $inspection->survey()->firstInstant($run);
            yield Found::of(
                "{$inspection->names->of($shown->number)} is shown to help services, and "
                    . "{$inspection->names->of($what)} speaks "
                    . "to whoever calls back before anybody rings",
                "It is shown of {$inspection->names->listed($shown->users)}.",
                $shown->number,
            )->at('destination')->counting(count($shown->users))->shownBy(
                ['to' => $shown->number->key, 'at' => gmdate('Y-m-d\TH:i:s\Z', $at)],
            );
        }
    }
}
