<?php

declare(strict_types=1);

namespace Jaunty\Core\Provisioning;

/** The ordered steps that bring live to the book. */
final readonly class RunSheet
{
    /** @param list<Step> $steps */
    public function __construct(public array $steps)
    {
    }

    public function isEmpty(): bool
    {
        return $this->steps === [];
    }
}
