<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Place;
use Jaunty\Core\Calls\Law\State;

/**
 * What meets somebody who calls a number back and does nothing but wait: whether a person's device rings, and what is
 * heard before.
 */
final readonly class CallBack
{
    private const SPEAKS = [Place::Attendant, Place::Menu, Place::Announcement, Place::Directory];

    /**
     * @param  bool  $ringsAPerson  whether a device of somebody's rings; a number outside is no device
     * @param  string  $outside  the first number outside that rings; empty for none
     * @param  string  $heard  what speaks before a person's device rings, as the book refers to it; empty for nothing
     */
    private function __construct(public bool $ringsAPerson, public string $outside, public string $heard)
    {
    }

    public static function of(Explorer $explored, State $start): self
    {
        $heard = '';
        $outside = '';
        foreach ($explored->passiveRun($start)[0] as $key) {
            $state = $explored->states[$key];
            foreach ($explored->edges[$key] ?? [] as $edge) {
                if ($edge->choice->event->kind === EventKind::Answered) {
                    if (str_starts_with($edge->choice->event->detail, 'user:')) {
                        return new self(true, $outside, $heard);
                    }
                    $outside = $outside === '' ? $edge->choice->event->detail : $outside;
                }
            }
            $speaks = in_array($state->place, self::SPEAKS, true)
                || $state->place === Place::Chain && $state->position === -1;
            $heard = $heard === '' && $speaks ? $state->object : $heard;
        }

        return new self(false, $outside, $heard);
    }
}
