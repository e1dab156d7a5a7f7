<?php

declare(strict_types=1);

namespace App\Log;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Models\Ability;
use App\Models\Activity;
use App\Models\Technician;
use App\Models\TenantRow;
use Illuminate\Database\Query\Builder;

/**
 * What was done, read: one's own entries, those of customers granted to one, and for leads those of accounts. Which
 * they are is row security's to say.
 */
final readonly class ActivityDesk
{
    public const PAGE = 100;

    /** A file of more is no use to anybody; days narrow it. */
    public const MOST_IN_A_FILE = 50_000;

    private const READ_AT_ONCE = 2_000;

    /** Words are in no index: a page of a house of many years looks for them in so many entries, and says so. */
    private const READ_FOR_WORDS = 100_000;

    private const NOBODY = '00000000-0000-0000-0000-000000000000';

    public function __construct(
        private Scope $scope,
        private ActivityLog $log,
        private int $readForWords = self::READ_FOR_WORDS,
    ) {
    }

    /**
     * @return array{list<Entry>, ?int} the latest first, and where the next page begins; there may be none on this one
     *     while words are looked for
     */
    public function page(string $technicianId, Sought $sought): array
    {
        [$entries, $down] = $this->scope->technician($technicianId, function () use ($sought): array {
            $top = $sought->before ?? Activity::query()->max('id');
            $down = $sought->words === null || $sought->customer !== null || ! is_int($top)
                ? 1
                : max(1, $top + 1 - $this->readForWords);

            return [self::read($sought, self::PAGE + 1, $down), $down];
        });
        $hasMore = count($entries) > self::PAGE;
        $entries = array_slice($entries, 0, self::PAGE);

        return [$entries, $hasMore ? $entries[self::PAGE - 1]->id : ($down > 1 ? $down : null)];
    }

    /** @return array{whats: list<string>, people: list<Technician>} to narrow by */
    public function choices(string $technicianId): array
    {
        return $this->scope->technician($technicianId, static fn (): array => [
            'whats' => array_values(array_filter(
                Activity::query()->toBase()->fromRaw('roster_activity_whats()')->pluck('what')->all(),
                is_string(...),
            )),
            'people' => array_values(Technician::query()->orderBy('name')->get()->all()),
        ]);
    }

    /** @return list<Entry> the latest first, as many as a file holds */
    public function file(string $technicianId, Sought $sought): array
    {
        return $this->scope->technician($technicianId, function () use ($technicianId, $sought): array {
            $this->log->note($technicianId, 'exported the log', ['customer' => $sought->customer]);

            return self::read($sought, self::MOST_IN_A_FILE);
        });
    }

    /**
     * What a customer may be given of what was done for them.
     *
     * @return array{TenantRow, list<Entry>} the oldest first
     */
    public function extract(string $technicianId, string $customer, Sought $sought): array
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Read, function (TenantRow $tenant) use (
            $technicianId,
            $sought,
        ): array {
            $entries = array_filter(
                self::read($sought, self::MOST_IN_A_FILE),
                static fn (Entry $entry): bool => Extract::tells($entry),
            );
            $this->log->noteOf($tenant->id, $technicianId, 'made an extract of the log for the customer');

            return [$tenant, array_reverse(array_values($entries))];
        });
    }

    /** @return list<Entry> */
    private static function read(Sought $sought, int $most, int $down = 1): array
    {
        $entries = [];
        $before = $sought->before;
        do {
            $wanted = min(self::READ_AT_ONCE, $most - count($entries));
            $rows = self::query($sought, $before)->where('activity.id', '>=', $down)->limit($wanted)->get()->all();
            foreach ($rows as $row) {
                $entries[] = $entry = Entry::of($row);
                $before = $entry->id;
            }
        } while (count($rows) === $wanted && count($entries) < $most);

        return $entries;
    }

    private static function query(Sought $sought, ?int $before): Builder
    {
        $is = static fn (string $column, string $how, mixed $value): \Closure => static fn (
            Builder $query,
        ): Builder => $query->where($column, $how, $value);
        $isByNobody = $sought->who === '-';
        // Looked up first, so that PostgreSQL knows who is rare: else it goes through all there is for a few entries.
        $who = Technician::query()->where('sign_in', $sought->who)->value('id') ?? self::NOBODY;
        $customer = TenantRow::query()->where('key', $sought->customer)->value('id') ?? self::NOBODY;

        return Activity::query()->toBase()
            ->leftJoin('technicians', 'technicians.id', '=', 'activity.technician_id')
            ->leftJoin('tenants', 'tenants.id', '=', 'activity.tenant_id')
            ->when($before !== null, $is('activity.id', '<', $before))
            ->when($sought->customer !== null, $is('activity.tenant_id', '=', $customer))
            ->when($isByNobody, static fn (Builder $query): Builder => $query->whereNull('activity.technician_id'))
            ->when($sought->who !== null && ! $isByNobody, $is('activity.technician_id', '=', $who))
            ->when($sought->what !== null, $is('what', '=', $sought->what))
            ->when($sought->from !== null, $is('happened_at', '>=', $sought->from))
            ->when($sought->until !== null, $is('happened_at', '<', $sought->until))
            ->when($sought->words !== null, static fn (Builder $query): Builder => $query->whereRaw(
                "position(lower(?) in lower(what || ' ' || detail::text)) > 0",
                [$sought->words],
            ))
            ->orderByDesc('activity.id')
            ->select([
                'activity.id', 'technicians.name as who', 'technicians.sign_in', 'tenants.key as customer',
                'tenants.name as customer_name', 'what', 'detail', 'happened_at',
            ]);
    }
}
