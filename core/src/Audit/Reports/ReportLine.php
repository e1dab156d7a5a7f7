<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Reports;

use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Words\Language;

/** What reports say of a finding: of one just made, or of one kept from an earlier audit. */
final readonly class ReportLine
{
    /**
     * @param  string  $rule  its id
     * @param  non-empty-list<string>  $objects  as references, the one it is about first
     * @param  ?string  $path  the field to look at first
     * @param  int  $count  how many places share it
     */
    public function __construct(
        public string $rule,
        public Severity $severity,
        public string $title,
        public string $detail,
        public array $objects,
        public ?string $path,
        public int $count,
        public string $fingerprint,
    ) {
    }

    public static function of(Finding $finding, ?Language $in = null): self
    {
        return new self(
            $finding->about->id,
            $finding->severity(),
            $finding->title($in),
            $finding->detail($in),
            array_map(static fn (BookObject $object): string => (string) Reference::of($object), $finding->objects),
            $finding->path,
            $finding->count,
            $finding->fingerprint(),
        );
    }
}
