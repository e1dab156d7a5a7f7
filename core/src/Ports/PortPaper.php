<?php

declare(strict_types=1);

namespace Jaunty\Core\Ports;

/** A paper that goes with a port. */
final readonly class PortPaper
{
    /**
     * @param  'authority'|'bill'  $kind
     * @param  ?string  $dated  a date: of a bill
     */
    public function __construct(public string $kind, public ?string $dated = null)
    {
    }
}
