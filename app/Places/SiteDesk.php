<?php

declare(strict_types=1);

namespace App\Places;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Audit\ThresholdStore;
use App\Book\BookRepository;
use App\Models\Ability;
use App\Models\AddressCheck;
use App\Models\EmergencyTest;
use App\Models\FloorPlan;
use App\Models\LineMeasurement;
use App\Models\Revision;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;
use App\Stock\CarrierDesk;
use App\Stock\CarrierTrouble;
use App\Time\Clock;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\SiteContact;
use Jaunty\Core\Book\User;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Numbering\UnusableNumber;
use Jaunty\Core\Outbound\HelpCall;
use Jaunty\Core\Outbound\HelpCalls;
use Jaunty\Core\Places\CalledBack;
use Jaunty\Core\Places\Readiness\Readiness;
use Jaunty\Core\Places\TestBasis;
use Jaunty\Core\Places\WhoIsThere;

/**
 * A customer's places as whoever comes to help would need them: where they are, what is shown of a call from there, and
 * what proves it. The carrier is asked outside any transaction.
 */
final readonly class SiteDesk
{
    /** Nobody remembers longer what was read back to them. */
    public const MOST_DAYS_AGO = 7;

    public function __construct(
        private Scope $scope,
        private BookRepository $books,
        private SitesInView $sites,
        private CarrierDesk $carrier,
        private ThresholdStore $thresholds,
        private SummaryKeeper $summaries,
        private ActivityLog $log,
        private Clock $clock,
    ) {
    }

    /** @return list<SiteView> as the technician has the book before them */
    public function all(string $technicianId, string $customer): array
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Read, function (TenantRow $tenant) use (
            $technicianId,
        ): array {
            $book = $this->sites->shown($tenant, $technicianId);
            $checks = self::newest(AddressCheck::query(), $tenant)->get()->keyBy('site_id');
            $tests = self::newest(EmergencyTest::query(), $tenant)->get()->keyBy('site_id');
            $lines = self::newest(LineMeasurement::query(), $tenant)->get()->keyBy('site_id');
            $plans = FloorPlan::query()->where('tenant_id', $tenant->id)->with('technician')->orderByDesc('serial')
                ->select(FloorPlan::COLUMNS)
                ->get()
                ->groupBy('site_id');
            $now = $this->clock->now()->getTimestamp();
            $ringing = Readiness::ringingBySite($book);
            $limits = $this->thresholds->of($tenant->id)->lineLimits();
            $calls = [];
            foreach (HelpCalls::of($book, $now) as $call) {
                $calls[$call->user->key][] = $call;
            }
            $people = [];
            foreach ($book->all(User::class) as $user) {
                $people[(string) $user->site][] = $user;
            }

            $bases = TestBasis::ofAll($book);

            return array_map(static fn (Site $site): SiteView => new SiteView(
                $site,
                $bases[$site->key],
                $checks->get($site->id ?? ''),
                $tests->get($site->id ?? ''),
                array_map(
                    static fn (User $user): array => [$user, $calls[$user->key] ?? []],
                    $people[(string) Reference::of($site)] ?? [],
                ),
                array_values(($plans->get($site->id ?? '') ?? new Collection())->all()),
                self::met($book, $site, $now),
                new LineView($lines->get($site->id ?? ''), $ringing[(string) Reference::of($site)] ?? 0, $limits),
            ), $book->all(Site::class));
        });
    }

    /** @return list<array{SiteContact, ?int}> each with when they are there next, which may be now */
    private static function met(Book $book, Site $site, int $now): array
    {
        $there = new WhoIsThere($book, $site);

        return array_map(
            static fn (SiteContact $contact): array => [$contact, $there->next($contact, $now)],
            $site->contacts,
        );
    }

    /** @return list<CalledBack> of every number that help services are shown */
    public function calledBack(string $technicianId, string $customer): array
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Read, function (TenantRow $tenant) use (
            $technicianId,
        ): array {
            $book = $this->sites->shown($tenant, $technicianId);
            $now = $this->clock->now()->getTimestamp();
            $shown = array_map(static fn (HelpCall $call): string => $call->shown, HelpCalls::of($book, $now));

            return CalledBack::of((new Inspection($book, $now))->survey(), array_values(array_unique(array_filter(
                $shown,
                static fn (string $number): bool => str_starts_with($number, '+'),
            ))));
        });
    }

    /**
     * Asks the carrier about the address as the technician has it before them.
     *
     * @throws SiteTrouble
     * @throws CarrierTrouble
     */
    public function check(string $technicianId, string $customer, string $key): void
    {
        [$id, $address] = $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technicianId, $key): array {
                $site = SitesInView::site($this->sites->shown($tenant, $technicianId), $key);

                return [$site->id ?? throw SiteTrouble::notEntered($site), TestBasis::addressOf($site)];
            },
        );
        $missing = array_diff(['street', 'city', 'postcode', 'country'], array_keys($address));
        if ($missing !== []) {
            throw SiteTrouble::incomplete($missing);
        }
        [$verdict, $better, $remark] = $this->carrier->checkAddress($address);
        $this->scope->tenant($technicianId, $customer, Ability::Edit, function (TenantRow $tenant) use (
            $technicianId,
            $id,
            $key,
            $address,
            $verdict,
            $better,
            $remark,
        ): void {
            AddressCheck::query()->insert([
                'tenant_id' => $tenant->id, 'site_id' => $id, 'verdict' => $verdict, 'remark' => $remark,
                'address' => json_encode($address, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                'better' => $better === null
                    ? null
                    : json_encode($better, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                'technician_id' => $technicianId, 'made_at' => $this->clock->now(),
            ]);
            $this->log->noteOf($tenant->id, $technicianId, 'had an address checked', [
                'site' => $key, 'address' => implode(', ', $address), 'verdict' => $verdict,
            ]);
            $this->summaries->findingsSifted($tenant->id, $this->books->head($tenant->id));
        });
    }

    /**
     * Writes down a test call for help, with what it was made with: the book of that moment. Refused as SiteTrouble.
     */
    public function tested(string $technicianId, string $customer, string $key, TestGiven $given): void
    {
        $this->scope->tenant($technicianId, $customer, Ability::Edit, function (TenantRow $tenant) use (
            $technicianId,
            $key,
            $given,
        ): void {
            $now = $this->clock->now();
            $site = SitesInView::site($this->books->head($tenant->id), $key);
            $at = $this->sites->past($tenant, $site, $given->at, self::MOST_DAYS_AGO);
            $book = $this->bookOf($tenant, $at);
            $then = $book->find(Reference::of($site));
            $caller = $book->find(Reference::parse($given->caller, 'caller'));
            if (! $then instanceof Site || ! $caller instanceof User || (string) $caller->site !== "site:{$key}") {
                throw SiteTrouble::notThere($site);
            }
            $shown = self::number($given->numberShown, $then->address['country'] ?? $book->tenant->region);
            $this->hold($given->passed, $shown, $book, $caller, $at);
            EmergencyTest::query()->insert([
                'tenant_id' => $tenant->id, 'site_id' => $site->id, 'tested_at' => $at, 'caller' => $given->caller,
                'number_shown' => $shown, 'address_read' => $given->addressRead,
                'passed' => $given->passed, 'note' => $given->note,
                'basis' => json_encode(TestBasis::ofAll($book)[$key], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                'technician_id' => $technicianId, 'made_at' => $now,
            ]);
            $this->log->noteOf($tenant->id, $technicianId, 'recorded a test call for help', [
                'site' => $key, 'passed' => $given->passed ? 'yes' : 'no', 'from' => $given->caller,
                'shown' => $shown,
            ]);
            $this->summaries->findingsSifted($tenant->id, $this->books->head($tenant->id));
        });
    }

    /** A call that showed another number than the book says has not passed, whatever is said of it. */
    private function hold(bool $passed, string $shown, Book $book, User $caller, \DateTimeImmutable $at): void
    {
        $expected = array_map(
            static fn (HelpCall $call): string => $call->shown,
            array_values(array_filter(
                HelpCalls::of($book, $at->getTimestamp()),
                static fn (HelpCall $call): bool => $call->user->key === $caller->key,
            )),
        );
        if ($passed && ! in_array($shown, $expected, true)) {
            throw SiteTrouble::showsAnother($caller, array_values(array_diff($expected, [''])));
        }
    }

    private static function number(string $typed, ?string $country): string
    {
        try {
            return (string) E164::parse($typed, $country);
        } catch (UnusableNumber $fault) {
            throw SiteTrouble::noNumber($fault->getMessage());
        }
    }

    private function bookOf(TenantRow $tenant, \DateTimeImmutable $at): Book
    {
        $no = Revision::query()->where('tenant_id', $tenant->id)->where('entered_at', '<=', $at)->max('no');

        return is_int($no) ? $this->books->at($tenant->id, $no) : throw SiteTrouble::notYet();
    }

    /**
     * @template T of AddressCheck|EmergencyTest|LineMeasurement
     *
     * @param  Builder<T>  $query
     * @return Builder<T> the newest of each site
     */
    private static function newest(Builder $query, TenantRow $tenant): Builder
    {
        return $query->selectRaw('distinct on (site_id) *')->where('tenant_id', $tenant->id)->with('technician')
            ->orderBy('site_id')->orderByDesc('serial');
    }
}
