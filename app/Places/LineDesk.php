<?php

declare(strict_types=1);

namespace App\Places;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\CallRecords\CallReader;
use App\Models\Ability;
use App\Models\LineMeasurement;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;
use App\Time\Clock;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;

/** Lines of sites: what somebody measured, with the most calls at once that were known then. */
final readonly class LineDesk
{
    /** Beyond it a line was dug up or sold anew. */
    public const MOST_DAYS_AGO = 92;

    /** Of calls that are looked at for the most at once. */
    private const DAYS = 30;

    public function __construct(
        private Scope $scope,
        private SitesInView $sites,
        private CallReader $calls,
        private SummaryKeeper $summaries,
        private ActivityLog $log,
        private Clock $clock,
    ) {
    }

    /** @throws SiteTrouble */
    public function measured(string $technicianId, string $customer, string $key, LineGiven $given): void
    {
        if ($given->isNothing()) {
            throw SiteTrouble::nothingMeasured();
        }
        $this->scope->tenant($technicianId, $customer, Ability::Edit, function (TenantRow $tenant) use (
            $technicianId,
            $key,
            $given,
        ): void {
            $book = $this->sites->entered($tenant);
            $site = SitesInView::site($book, $key);
            $at = $this->sites->past($tenant, $site, $given->at, self::MOST_DAYS_AGO);
            [$made, $readAt] = $this->calls->kept($tenant->id, self::DAYS);
            $here = Reference::of($site);
            $people = array_filter(
                $book->all(User::class),
                static fn (User $user): bool => $user->site?->equals($here) === true,
            );
            $busiest = $readAt === null ? null : $made->mostTalkingOf(array_map(
                static fn (User $user): string => (string) Reference::of($user),
                array_values($people),
            ));
            LineMeasurement::query()->insert([
                'tenant_id' => $tenant->id, 'site_id' => $site->id, 'measured_at' => $at,
                'measured' => json_encode([
                    'down' => self::kbit($given->down), 'up' => self::kbit($given->up),
                    'roundTrip' => $given->roundTrip, 'jitter' => $given->jitter, 'loss' => $given->loss,
                    'ownNetwork' => $given->ownNetwork, 'backup' => $given->backup, 'codec' => $given->codec->value,
                    'packetMs' => $given->packetMs, 'calls' => max($given->calls ?? 0, $busiest ?? 0),
                ], JSON_THROW_ON_ERROR),
                'said' => $given->calls, 'busiest' => $busiest, 'note' => $given->note,
                'technician_id' => $technicianId, 'made_at' => $this->clock->now(),
            ]);
            $this->log->noteOf($tenant->id, $technicianId, 'recorded a line as measured', ['site' => $key]);
            $this->summaries->findingsSifted($tenant->id, $book);
        });
    }

    private static function kbit(?float $mbit): ?int
    {
        return $mbit === null ? null : (int) round(1000 * $mbit);
    }
}
