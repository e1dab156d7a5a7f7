<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

/** One field that two forms of an object do not agree on. */
final readonly class FieldDifference
{
    public function __construct(public string $path, public mixed $before, public mixed $after)
    {
    }
}
