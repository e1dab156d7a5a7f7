<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/**
 * Whose setting sends a call on: where a call stands when there is nothing behind the setting, and how far it lets
 * calls go.
 */
final readonly class Sender
{
    private const NATIONAL = 2;

    public function __construct(public Place $place, public int $reach = self::NATIONAL, public bool $needsWay = true)
    {
    }

    public static function person(Holdings $holdings, Place $person): self
    {
        return new self($person, $holdings->at($person)->number('reach', self::NATIONAL));
    }

    /** What rings by a number, an announcement or a box that nobody owns goes as far as the country. */
    public static function of(Holdings $holdings, Place $place): self
    {
        $owner = $place->is('box') ? $holdings->at($place)->text('person') : null;

        return new self($place, match (true) {
            $owner !== null => $holdings->in('persons', $owner)->number('reach', self::NATIONAL),
            $place->is('line', 'notice', 'box') => self::NATIONAL,
            default => $holdings->at($place)->number('reach', self::NATIONAL),
        });
    }
}
