<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

/** With what a new item begins that somebody adds by hand: what it cannot be without, for them to change. */
#[\Attribute(\Attribute::TARGET_CLASS | \Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final readonly class Begins
{
    /** @param array<string, mixed> $with by field */
    public function __construct(public array $with)
    {
    }
}
