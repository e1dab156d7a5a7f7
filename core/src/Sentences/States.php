<?php

declare(strict_types=1);

namespace Jaunty\Core\Sentences;

use Jaunty\Core\Calls\OneCall\Script;

/**
 * States of the world in words, for each kind that can be in them.
 *
 * @internal
 */
final class States
{
    /** The first way to say a state is the one sentences are written with. */
    private const SAID = [
        'answers' => ['answers', 'answer', 'picks up'],
        'busy' => ['busy'],
        'onACall' => ['on a call', 'on call', 'talking'],
        'unreachable' => ['unreachable', 'offline', 'away', 'gone'],
        'doNotDisturb' => ['not disturbed', 'do not disturb', 'dnd'],
        'signedOut' => ['signed out'],
        'mailbox' => ['mailbox answers', 'mailbox', 'voicemail'],
        'off' => ['switched off', 'off'],
        'closedByHand' => ['closed by hand', 'closed'],
        'full' => ['full'],
        'inUse' => ['in use', 'taken'],
        'holds' => ['holds a call'],
        'ringing' => ['has a call ringing', 'is ringing', 'ringing'],
        'out' => ['out', 'dark'],
    ];

    private const MOST_WORDS = 3;

    /** @return ?string the state, taken from the words, that one of a kind can be in */
    public static function take(Words $words, string $kind): ?string
    {
        for ($count = min(self::MOST_WORDS, $words->left()); $count > 0; $count--) {
            foreach (Script::STATES[$kind] ?? [] as $state) {
                if (in_array($words->joined($count), self::SAID[$state], true)) {
                    $words->skip($count);

                    return $state;
                }
            }
        }

        return null;
    }

    public static function words(string $state): string
    {
        return self::SAID[$state][0] ?? $state;
    }

    /** @return list<string> what one of a kind can be, as sentences are written */
    public static function of(string $kind): array
    {
        return array_map(self::words(...), Script::STATES[$kind] ?? []);
    }
}
