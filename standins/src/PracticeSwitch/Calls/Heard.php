<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/**
 * What a keypad heard in the end: a key, a short number, too many wrong keys, silence, or that the call goes in
 * circles.
 */
final readonly class Heard
{
    public function __construct(public string $word, public int $second, public ?Place $place = null)
    {
    }
}
