<?php

declare(strict_types=1);

namespace App\Audit;

use App\Models\FindingWaiver;
use Jaunty\Core\Audit\Finding;

/** Findings that stand, and those that are waived. */
final readonly class Sifted
{
    /**
     * @param  list<Finding>  $standing
     * @param  list<array{Finding, FindingWaiver}>  $waived
     */
    public function __construct(public array $standing, public array $waived)
    {
    }
}
