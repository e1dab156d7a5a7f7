<?php

declare(strict_types=1);

namespace App\Ports;

use App\Models\PortCase;
use App\Models\PortPaperRow;
use Jaunty\Core\Ports\PortLack;

/** A port as its page shows it. */
final readonly class PortView
{
    /**
     * @param  list<PortPaperRow>  $papers  the newest first
     * @param  list<PortLack>  $lacks  before it can be sent
     * @param  array<string, string>  $names  of people, by id
     */
    public function __construct(
        public PortCase $case,
        public array $papers,
        public array $lacks,
        public array $names,
    ) {
    }
}
