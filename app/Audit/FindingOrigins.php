<?php

declare(strict_types=1);

namespace App\Audit;

use App\Book\BookRepository;
use App\Models\FindingRow;
use App\Models\TenantRow;
use App\Support\Parts;
use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\StandingAudit;

/**
 * Finds by which revision findings came: by halves, in the book as earlier revisions left it, looked at as of today.
 * What stood once, was mended and came again has come by the later one or by an earlier: one at which it came, at any
 * rate.
 */
final readonly class FindingOrigins
{
    public function __construct(private BookRepository $books, private Audits $audits)
    {
    }

    /** In the customer's scope. */
    public function find(TenantRow $tenant): void
    {
        $open = array_filter(
            FindingRow::query()->where('tenant_id', $tenant->id)->whereIn(
                'rule',
                Auditor::ofBooks()->ids(),
            )->whereNull('first_revision')->pluck('fingerprint')->all(),
            is_string(...),
        );
        if ($open === []) {
            return;
        }
        $audit = $this->audits->standing($tenant->id, $this->books->head($tenant->id));
        $stood = [];
        $stands = function (int $no, string $fingerprint) use ($tenant, &$audit, &$stood): bool {
            if (! isset($stood[$no])) {
                $audit = $audit->changedTo($this->books->at($tenant->id, $no));
                $stood[$no] = self::fingerprints($audit);
            }

            return isset($stood[$no][$fingerprint]);
        };
        $came = [];
        foreach ($open as $fingerprint) {
            [$without, $with] = [0, $tenant->head_revision];
            while ($with - $without > 1) {
                $between = intdiv($with + $without, 2);
                [$without, $with] = $stands($between, $fingerprint) ? [$without, $between] : [$between, $with];
            }
            $came[$with][] = $fingerprint;
        }
        foreach ($came as $revision => $fingerprints) {
            foreach (Parts::of($fingerprints) as $some) {
                FindingRow::query()->where('tenant_id', $tenant->id)->whereIn('fingerprint', $some)->update(
                    ['first_revision' => $revision],
                );
            }
        }
    }

    /** @return array<string, true> */
    private static function fingerprints(StandingAudit $audit): array
    {
        return array_fill_keys(
            array_map(static fn (Finding $finding): string => $finding->fingerprint(), $audit->findings),
            true,
        );
    }
}
