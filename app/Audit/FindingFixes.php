<?php

declare(strict_types=1);

namespace App\Audit;

use App\Book\BookRepository;
use App\Book\RevisionSource;
use App\Book\RevisionWriter;
use App\Models\TenantRow;
use App\Switching\Switches;
use App\Time\Clock;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Mending;
use Jaunty\Core\Calls\TwoBooks\Difference;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Hours\ZoneClock;

/**
 * Mends findings of one customer at once: looked at beforehand, and entered as a revision that can be taken back. In
 * its scope.
 */
final readonly class FindingFixes
{
    public function __construct(
        private BookRepository $books,
        private Audits $audits,
        private RevisionWriter $revisions,
        private Switches $switches,
        private Clock $clock,
    ) {
    }

    /**
     * @param  list<string>  $fingerprints  of findings on the book as entered; one that is mended already is passed
     *     over
     */
    public function make(
        TenantRow $tenant,
        string $technicianId,
        array $fingerprints,
        bool $isEntered,
        ?string $note,
    ): Mended {
        $head = $this->books->head($tenant->id);
        $before = $this->audits->standing($tenant->id, $head);
        $mending = Mending::of($before, $fingerprints);
        $mended = $this->switches->of($tenant)->capabilities()->granularity()->fit($mending->book);
        $changes = Diff::between($head, $mended);
        $known = self::byFingerprint($before->findings);
        $after = self::byFingerprint($mending->audit->changedTo($mended)->findings);
        $revision = $isEntered && ! $changes->isEmpty()
            ? $this->revisions->enter($tenant, $technicianId, $changes, RevisionSource::Fix, $note)->no
            : null;

        return new Mended(
            $mended,
            $changes->operations,
            array_values(array_intersect_key($after, array_flip($fingerprints))),
            array_values(array_diff_key($after, $known)),
            ! $changes->isEmpty()
                && self::callersNotice(Difference::between($head, $mended, $this->dayBegan($tenant->zone))),
            $revision,
        );
    }

    private function dayBegan(string $zone): int
    {
        $clock = ZoneClock::of($zone);

        return $clock->midnight($clock->day($this->clock->now()->getTimestamp()));
    }

    /**
     * @param  list<Finding>  $findings
     * @return array<string, Finding>
     */
    private static function byFingerprint(array $findings): array
    {
        $known = [];
        foreach ($findings as $finding) {
            $known[$finding->fingerprint()] = $finding;
        }

        return $known;
    }

    /** Where not every call could be followed, it is not said that nobody notices. */
    private static function callersNotice(Difference $difference): bool
    {
        return ! $difference->isEmpty() || ! $difference->isComplete;
    }
}
