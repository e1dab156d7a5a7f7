<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Reports;

/** A book that was audited, with what was found in it. */
final readonly class Audited
{
    /**
     * @param  string  $name  of the file it was read from, or of the customer
     * @param  list<ReportLine>  $lines  heaviest first
     */
    public function __construct(public string $name, public array $lines)
    {
    }
}
