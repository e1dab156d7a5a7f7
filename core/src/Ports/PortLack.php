<?php

declare(strict_types=1);

namespace Jaunty\Core\Ports;

/** What a port is not complete for, and where. */
final readonly class PortLack
{
    /** @param string $at a field of the wish, or a kind of paper */
    public function __construct(public string $at, public string $why)
    {
    }
}
