<?php

declare(strict_types=1);

namespace App\Roster;

use App\Audit\Audits;
use App\Audit\FindingStore;
use App\Audit\FindingWaivers;
use App\Book\AfterRevision;
use App\Models\TenantSummary;
use App\Time\Clock;
use Jaunty\Core\Audit\Agenda;
use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Names;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Calls\TwoBooks\Difference;
use Jaunty\Core\Calls\Year\WeekStrip;
use Jaunty\Core\Numbering\E164;

/** Keeps the line that the Roster shows of each customer, so that a thousand customers are one query. */
final readonly class SummaryKeeper implements AfterRevision
{
    public function __construct(
        private Clock $clock,
        private Audits $audits,
        private FindingWaivers $waivers,
        private FindingStore $findings,
    ) {
    }

    public function bookChanged(string $tenantId, Book $book): void
    {
        $number = $book->tenant->mainNumber === null ? null : $book->find($book->tenant->mainNumber);
        $this->put($tenantId, [
            'main_number' => $number === null ? null : E164::parse($number->key())->display(),
            'main_leads_to' => $number instanceof Number && $number->destination !== null
                ? self::label($book, (string) $number->destination)
                : null,
            'objects' => count($book->objects()),
        ] + $this->summedUp($tenantId, $book));
    }

    /** A finding was waived, or stands again. */
    public function findingsSifted(string $tenantId, Book $book): void
    {
        $this->put($tenantId, ['findings' => $this->audited($tenantId, $book)]);
    }

    /** The same book on another day: its week, what is found wrong with it, and what comes next. */
    public function dayChanged(string $tenantId, Book $book): void
    {
        $this->put($tenantId, $this->summedUp($tenantId, $book));
    }

    /** @return array<string, mixed> */
    private function summedUp(string $tenantId, Book $book): array
    {
        $now = $this->clock->now()->getTimestamp();
        $today = $this->clock->dateIn($book->tenant->zone);
        $strip = WeekStrip::ofMain($book, $now)?->toArray(static fn (string $met): string => self::label($book, $met));
        $next = Agenda::next($book, $today);

        return [
            'place' => $this->place($book),
            'strip' => $strip === null ? null : json_encode($strip, JSON_THROW_ON_ERROR),
            'findings' => $this->audited($tenantId, $book),
            'next_on' => $next?->day,
            'next_what' => $next?->words,
            'summed_up_on' => $today,
        ];
    }

    /** Where the first site is, and how many more there are. */
    private function place(Book $book): ?string
    {
        $sites = $book->all(Site::class);
        $city = $sites === [] ? null : $sites[0]->address['city'] ?? $sites[0]->name;

        return $city === null ? null : $city . (count($sites) > 1 ? ' + ' . (count($sites) - 1) : '');
    }

    /** @param Inspection $beside of the book with live beside it */
    public function liveRead(string $tenantId, Inspection $beside): void
    {
        $this->put($tenantId, ['live_read_at' => $this->clock->now()] + $this->drift($tenantId, $beside));
    }

    /** The same reading, weighed anew. */
    public function driftWeighed(string $tenantId, Inspection $beside): void
    {
        $this->put($tenantId, $this->drift($tenantId, $beside));
    }

    /** @return array<string, mixed> */
    private function drift(string $tenantId, Inspection $beside): array
    {
        $findings = Auditor::ofDrift()->audit($beside);
        $this->holdLine($tenantId);
        $this->findings->ofDrift($tenantId, $this->clock->dateIn($beside->book->tenant->zone), $findings);

        return [
            'differences' => count($beside->drift()->operations),
            'callers_notice' => self::callersNotice($beside->difference()),
            'drift_findings' => $this->byWeight($findings),
        ];
    }

    /** @return ?bool null where calls go more ways than were followed, and no difference was found in those */
    private static function callersNotice(?Difference $difference): ?bool
    {
        return match (true) {
            $difference === null => false,
            ! $difference->isEmpty() => true,
            default => $difference->isComplete ? false : null,
        };
    }

    /** Counts what stands in the book, and keeps it for lists. */
    private function audited(string $tenantId, Book $book): string
    {
        $this->holdLine($tenantId);
        $sifted = $this->waivers->sift($tenantId, $book->tenant->zone, $this->audits->of($tenantId, $book));
        $this->findings->ofBook($tenantId, $this->clock->dateIn($book->tenant->zone), $sifted);

        return $this->byWeight($sifted->standing);
    }

    /**
     * The line of the Roster before findings, always: two who take them in another order wait for each other for ever.
     */
    private function holdLine(string $tenantId): void
    {
        TenantSummary::query()->where('tenant_id', $tenantId)->lockForUpdate()->first(['tenant_id']);
    }

    /** @param list<Finding> $findings */
    private function byWeight(array $findings): string
    {
        $found = array_fill_keys(array_column(Severity::cases(), 'value'), 0);
        foreach ($findings as $finding) {
            $found[$finding->severity()->value]++;
        }

        return json_encode($found, JSON_THROW_ON_ERROR);
    }

    /** @param Book $book as entered, which may be ahead of what was pushed */
    public function pushed(string $tenantId, int $revision, Book $book): void
    {
        $this->put($tenantId, ['pushed_revision' => $revision, 'pushed_at' => $this->clock->now()]);
        $this->findingsSifted($tenantId, $book);
    }

    /** On a switch that holds nothing of the customer yet. */
    public function neverPushed(string $tenantId): void
    {
        $this->put($tenantId, [
            'pushed_revision' => null, 'pushed_at' => null, 'live_read_at' => null, 'differences' => null,
            'callers_notice' => null, 'drift_findings' => $this->byWeight([]),
        ]);
        $this->findings->ofDrift($tenantId, $this->clock->dateIn('UTC'), []);
    }

    /** @param array<string, mixed> $values */
    private function put(string $tenantId, array $values): void
    {
        TenantSummary::query()->upsert(
            [['tenant_id' => $tenantId, 'updated_at' => $this->clock->now()] + $values],
            ['tenant_id'],
            [...array_keys($values), 'updated_at'],
        );
    }

    /** What the Roster calls what a call meets: an object's name, for it has no book at hand. */
    private static function label(Book $book, string $met): string
    {
        return (new Names($book))->of($met);
    }
}
