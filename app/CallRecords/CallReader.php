<?php

declare(strict_types=1);

namespace App\CallRecords;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Book\BookRepository;
use App\House\House;
use App\Models\Ability;
use App\Models\CallRow;
use App\Models\TenantRow;
use App\Support\Parts;
use App\Switching\BindingStore;
use App\Switching\Switches;
use App\Switching\SwitchTrouble;
use App\Time\Clock;
use Illuminate\Database\ConnectionInterface;
use Jaunty\Core\CallRecords\CallRecord;
use Jaunty\Core\CallRecords\CallsMade;

/**
 * Reads calls from the switch, on from the last one read, and keeps them for as long as the house does. The switch is
 * asked outside any transaction.
 */
final readonly class CallReader
{
    /** What a customer's book can name of calls, and a screen can add up at once. */
    private const MOST_PAGES = 200;

    public function __construct(
        private Scope $scope,
        private BookRepository $books,
        private BindingStore $bindings,
        private Switches $switches,
        private Clock $clock,
        private ConnectionInterface $db,
        private ActivityLog $log,
        private House $house,
    ) {
    }

    /**
     * @param  string  $tenant  key or id
     * @return int how many calls are new
     *
     * @throws SwitchTrouble
     */
    public function read(string $technicianId, string $tenant): int
    {
        [$id, $session, $after] = $this->scope->tenant(
            $technicianId,
            $tenant,
            Ability::Read,
            function (TenantRow $row): array {
                $book = $this->books->head($row->id);

                $switch = $this->switches->of($row);
                $known = $this->bindings->load($row->id, $switch->name(), [$book]);

                return [$row->id, $switch->open($book, $known), $this->lastSerial($row)];
            },
        );
        $read = 0;
        for ($page = 0; $page < self::MOST_PAGES; $page++) {
            $calls = $session->calls($after);
            $after = $calls->records === [] ? $after : max(array_keys($calls->records));
            $this->scope->tenant(
                $technicianId,
                $id,
                Ability::Read,
                fn (TenantRow $row): null => $this->keep($row, $calls->records, $after),
            );
            $read += count($calls->records);
            if ($calls->next === null) {
                break;
            }
        }

        return $read;
    }

    /** @return array{CallsMade, ?string} of the last days, and when the switch was read */
    public function made(string $technicianId, string $customer, int $days): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): array => $this->kept($tenant->id, $days),
        );
    }

    /** How many days calls are kept here. */
    public function keptDays(): int
    {
        return $this->house->settings()->retention->calls;
    }

    /** That somebody took them out as a file. */
    public function exported(string $technicianId, string $customer): void
    {
        $this->scope->tenant($technicianId, $customer, Ability::Read, function (TenantRow $tenant) use (
            $technicianId,
        ): void {
            $this->log->noteOf($tenant->id, $technicianId, 'exported calls');
        });
    }

    /**
     * In the customer's scope.
     *
     * @return array{CallsMade, ?string} and when the switch was read
     */
    public function kept(string $tenantId, int $days): array
    {
        $from = $this->clock->now()->modify("-{$days} days");
        $records = CallRow::query()->where('tenant_id', $tenantId)
            ->where('at', '>=', $from)
            ->orderBy('at')
            ->orderBy('serial')
            ->get()
            ->map(static fn (CallRow $row): CallRecord => new CallRecord(
                $row->at->getTimestamp(),
                $row->caller,
                $row->called,
                $row->outcome,
                $row->target,
                $row->groups,
                $row->rang,
                $row->waited,
                $row->talked,
                $row->came_as,
            ))
            ->all();
        $reading = $this->db->selectOne(
            'select max(read_at) as read_at from call_readings where tenant_id = ?',
            [$tenantId],
        );

        return [
            new CallsMade(array_values($records)),
            is_object($reading) && is_string($reading->read_at ?? null)
                ? (new \DateTimeImmutable($reading->read_at))->format(\DateTimeInterface::ATOM)
                : null,
        ];
    }

    private function lastSerial(TenantRow $tenant): int
    {
        $reading = $this->db->selectOne(
            'select last_serial from call_readings where tenant_id = ? and connector = ?',
            [$tenant->id, $tenant->connector],
        );

        return is_object($reading) && is_int($reading->last_serial ?? null) ? $reading->last_serial : 0;
    }

    /** @param array<int, CallRecord> $records */
    private function keep(TenantRow $tenant, array $records, int $last): null
    {
        $rows = [];
        foreach ($records as $serial => $record) {
            $rows[] = [
                'tenant_id' => $tenant->id, 'connector' => $tenant->connector, 'serial' => $serial,
                'at' => gmdate('Y-m-d\TH:i:s\Z', $record->at),
                'caller' => $record->from, 'called' => $record->called, 'outcome' => $record->outcome->value,
                'target' => $record->target,
                'groups' => json_encode($record->groups, JSON_THROW_ON_ERROR),
                'rang' => json_encode($record->rang, JSON_THROW_ON_ERROR), 'waited' => $record->waited,
                'talked' => $record->talked, 'came_as' => $record->cameAs,
            ];
        }
        // Read twice at once, a call is kept once.
        foreach (Parts::of($rows) as $some) {
            CallRow::query()->insertOrIgnore($some);
        }
        $this->db->statement(
            'insert into call_readings (tenant_id, connector, last_serial, read_at) values (?, ?, ?, ?) '
                . 'on conflict (tenant_id, connector) do update set last_serial = greatest(call_readings.last_serial, '
                    . 'excluded.last_serial), read_at = '
                . 'excluded.read_at',
            [$tenant->id, $tenant->connector, $last, $this->clock->now()->format(\DateTimeInterface::ATOM)],
        );
        CallRow::query()->where('tenant_id', $tenant->id)
            ->where('at', '<', $this->clock->now()->modify("-{$this->keptDays()} days"))
            ->delete();

        return null;
    }
}
