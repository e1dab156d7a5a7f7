<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Reports;

use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Words\Language;

/** What a customer is told of a finding, in their language. */
final readonly class CustomerLine
{
    /** Areas that are the reseller's own affair, and none of the customer's. */
    private const OURS = ['access', 'audit', 'drift', 'push', 'template'];

    private function __construct(
        public Severity $severity,
        public string $name,
        public string $title,
        public string $detail,
        public string $why,
        public string $remedy,
    ) {
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<self> in their order, without what is the reseller's own affair
     */
    public static function all(array $findings, Language $in): array
    {
        return array_values(array_map(
            static fn (Finding $finding): self => new self(
                $finding->severity(),
                $finding->about->name($in),
                $finding->title($in),
                $finding->detail($in),
                $finding->about->why($in),
                $finding->about->remedy($in),
            ),
            array_filter(
                $findings,
                static fn (Finding $finding): bool => ! in_array($finding->about->area(), self::OURS, true),
            ),
        ));
    }
}
