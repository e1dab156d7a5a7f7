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

    public function __construct(private Scope $scope, private ActivityLog $log)
    {
    }

    /**
     * @return array{list<Entry>, ?int} the latest first, and where the next page begins
     */
    public function page(string $technicianId, Sought $sought): array
    {
        $entries = $this->scope->technician($technicianId, static fn (): array => self::read($sought, self::PAGE + 1));
        $hasMore = count($entries) > self::PAGE;
        $entries = array_slice($entries, 0, self::PAGE);

        return [$entries, $hasMore ? $entries[self::PAGE - 1]->id : null];
    }

    /** @return array{whats: list<string>, people: list<Technician>} to narrow by */
    public function choices(string $technicianId): array
    {
        return $this->scope->technician($technicianId, static fn (): array => [
            'whats' => array_values(array_filter(
                Activity::query()->distinct()->orderBy('what')->pluck('what')->all(),
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
    private static function read(Sought $sought, int $most): array
    {
        $entries = [];
        $before = $sought->before;
        do {
            $wanted = min(self::READ_AT_ONCE, $most - count($entries));
            $rows = self::query($sought, $before)->limit($wanted)->get()->all();
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

        return Activity::query()->toBase()
            ->leftJoin('technicians', 'technicians.id', '=', 'activity.technician_id')
            ->leftJoin('tenants', 'tenants.id', '=', 'activity.tenant_id')
            ->when($before !== null, $is('activity.id', '<', $before))
            ->when($sought->customer !== null, $is('tenants.key', '=', $sought->customer))
            ->when($isByNobody, static fn (Builder $query): Builder => $query->whereNull('activity.technician_id'))
            ->when($sought->who !== null && ! $isByNobody, $is('technicians.sign_in', '=', $sought->who))
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
