<?php

declare(strict_types=1);

namespace App\Drift;

use App\Access\Scope;
use App\Audit\Audits;
use App\Book\BookRepository;
use App\Models\Ability;
use App\Models\LiveSnapshot;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;
use App\Secrets\SecretKeeper;
use App\Switching\Switches;
use App\Switching\SwitchTrouble;
use App\Time\Clock;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Jaunty\Core\Book\BookFormat;

/** What a technician asks of book and live, and says of what differs. */
final readonly class LiveDesk
{
    public function __construct(
        private Scope $scope,
        private BookRepository $books,
        private Switches $switches,
        private LiveReader $reader,
        private Comparer $comparer,
        private Signatures $signatures,
        private WaiverDesk $waivers,
        private SecretKeeper $secrets,
        private SummaryKeeper $summaries,
        private Audits $audits,
        private Clock $clock,
    ) {
    }

    public function view(string $technicianId, string $customer): LiveView
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Read, function (TenantRow $tenant): LiveView {
            $book = $this->books->head($tenant->id);
            $snapshot = self::snapshot($tenant);
            $switch = $this->switches->of($tenant);

            return new LiveView(
                $book,
                $switch,
                $snapshot,
                $snapshot === null
                    ? null
                    : $this->comparer->compare($tenant, $book, BookFormat::fromLiveValue($snapshot->book)),
                $this->signatures->newest($tenant->id),
                $switch->capabilities()->takesSecrets ? $this->secrets->toTell($tenant->id, $book) : [],
            );
        });
    }

    /**
     * @return bool whether the switch knows the customer
     *
     * @throws SwitchTrouble
     */
    public function read(string $technicianId, string $customer): bool
    {
        return $this->reader->read($technicianId, $customer) !== null;
    }

    /** @return ?Weighed what callers notice of what the switch holds; null where it was never read */
    public function weigh(string $technicianId, string $customer): ?Weighed
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Read, function (TenantRow $tenant): ?Weighed {
            $book = $this->books->head($tenant->id);
            $snapshot = self::snapshot($tenant);
            if ($snapshot === null) {
                return null;
            }
            $compared = $this->comparer->compare($tenant, $book, BookFormat::fromLiveValue($snapshot->book));

            return new Weighed(
                $snapshot->read_at,
                $compared,
                $compared->inspection($this->clock->now()->getTimestamp()),
                $compared->changedThere() === []
                    ? []
                    : $this->audits->added($tenant->id, $compared->asPushed(), $compared->live),
            );
        });
    }

    /**
     * Accepts one difference as it is, with a reason and until a day.
     *
     * @param array{object: string, path?: ?string, reason: string, until?: ?string} $given
     */
    public function waive(string $technicianId, string $customer, array $given): void
    {
        $this->scope->tenant($technicianId, $customer, Ability::Edit, function (TenantRow $tenant) use (
            $technicianId,
            $given,
        ): void {
            $this->waivers->waive(
                $tenant,
                $technicianId,
                $given['object'],
                $given['path'] ?? null,
                $given['reason'],
                $given['until'] ?? null,
            );
        });
    }

    /** @return bool whether there was such a waiver */
    public function takeWaiverBack(string $technicianId, string $customer, string $waiver): bool
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            fn (TenantRow $tenant): bool => Str::isUuid($waiver)
                && $this->waivers->takeBack($tenant, $technicianId, $waiver),
        );
    }

    /** Notes that the customer put their name to a revision. */
    public function sign(string $technicianId, string $customer, int $revision, string $by): void
    {
        $this->scope->tenant($technicianId, $customer, Ability::Edit, function (TenantRow $tenant) use (
            $technicianId,
            $revision,
            $by,
        ): void {
            if ($revision > $tenant->head_revision) {
                throw ValidationException::withMessages([
                    'revision' => "there is no revision {$revision} yet; the newest is {$tenant->head_revision}",
                ]);
            }
            // A day that somebody types is no evidence: it is the day on which it was noted.
            $today = $this->clock->dateIn($tenant->zone);
            $this->signatures->sign($tenant, $technicianId, $revision, $by, $today);
            $this->summaries->findingsSifted($tenant->id, $this->books->head($tenant->id));
        });
    }

    private static function snapshot(TenantRow $tenant): ?LiveSnapshot
    {
        return LiveSnapshot::query()->where('tenant_id', $tenant->id)->orderByDesc('serial')->first();
    }
}
