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
                [
                    'number' => $inspection->names->said($shown->number),
                    'what' => $inspection->names->said($what),
                    'users' => $inspection->names->several($shown->users),
                ],
                $shown->number,
            )->at('destination')->counting(count($shown->users))->shownBy(
                ['to' => $shown->number->key, 'at' => gmdate('Y-m-d\TH:i:s\Z', $at)],
            );
        }
    }
}
