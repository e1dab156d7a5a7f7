<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

/** Marks a field that people at a customer's change by the hour: unless their book says otherwise, it is theirs. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final readonly class Left
{
    /** @param list<string> $only of several fields that stand side by side; empty for all */
    public function __construct(public array $only = [])
    {
    }
}
