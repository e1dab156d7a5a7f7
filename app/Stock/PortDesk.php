<?php

declare(strict_types=1);

namespace App\Stock;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Book\BookRepository;
use App\Models\Ability;
use App\Models\PortRow;
use App\Models\PortState;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;
use App\Time\Clock;
use Illuminate\Database\ConnectionInterface;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;

/**
 * A customer's ports: placed with the carrier, read from it, and kept as they were read. The carrier is asked outside
 * any transaction.
 */
final readonly class PortDesk
{
    public function __construct(
        private CarrierDesk $carrier,
        private Scope $scope,
        private BookRepository $books,
        private SummaryKeeper $summaries,
        private Clock $clock,
        private ActivityLog $log,
        private ConnectionInterface $db,
    ) {
    }

    /**
     * @param  string  $tenant  key or id
     *
     * @throws CarrierTrouble
     */
    public function read(string $technicianId, string $tenant): void
    {
        $row = $this->scope->tenant(
            $technicianId,
            $tenant,
            Ability::Read,
            static fn (TenantRow $row): TenantRow => $row,
        );
        $orders = $this->carrier->ports($row->key);
        $this->scope->tenant($technicianId, $row->id, Ability::Read, function () use ($row, $orders): void {
            PortRow::query()->where('tenant_id', $row->id)->delete();
            PortRow::query()->insert(array_map(fn (PortOrder $order, int $place): array => [
                'tenant_id' => $row->id, 'id' => $order->id, 'place' => $place,
                'numbers' => json_encode($order->request->numbers, JSON_THROW_ON_ERROR),
                'name' => $order->request->name,
                'street' => $order->request->street, 'postcode' => $order->request->postcode,
                'losing_carrier' => $order->request->losingCarrier, 'account' => $order->request->account,
                'day' => $order->request->day, 'state' => $order->state->value, 'remark' => $order->remark,
                'read_at' => $this->clock->now(),
            ], $orders, array_keys($orders)));
            $done = array_filter($orders, static fn (PortOrder $order): bool => $order->state === PortState::Done);
            $arrived = array_merge(...array_map(
                static fn (PortOrder $order): array => $order->request->numbers,
                array_values($done),
            ));
            if ($arrived !== []) {
                $this->db->select('select numbers_arrived(?::text[])', ['{' . implode(',', $arrived) . '}']);
            }
            // Rules hold the book against what is ordered.
            $this->summaries->findingsSifted($row->id, $this->books->head($row->id));
        });
    }

    /**
     * @param  string  $reference  of this form as it was filled in: sent twice it places one order
     *
     * @throws CarrierTrouble
     */
    public function ask(string $technicianId, string $tenant, string $reference, PortRequest $wanted): void
    {
        $key = $this->scope->tenant(
            $technicianId,
            $tenant,
            Ability::Push,
            function (TenantRow $row) use ($wanted): string {
                $book = $this->books->head($row->id);
                foreach ($wanted->numbers as $place => $number) {
                    // Whose it is otherwise is nobody's business here.
                    if ($book->find(Reference::to(Kind::Number, $number)) === null) {
                        throw new NotTheirNumber($number, $place);
                    }
                }

                return $row->key;
            },
        );
        $this->carrier->port($key, $reference, $wanted);
        $this->scope->tenant($technicianId, $tenant, Ability::Push, function (TenantRow $row) use (
            $technicianId,
            $wanted,
        ): void {
            $this->log->noteOf($row->id, $technicianId, 'ordered a port', [
                'numbers' => $wanted->numbers, 'from' => $wanted->losingCarrier, 'day' => $wanted->day,
            ]);
        });
        $this->read($technicianId, $tenant);
    }

    /** @return list<PortRow> as last read */
    public function ofCustomer(string $technicianId, string $customer): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            static fn (TenantRow $tenant): array => array_values(
                PortRow::query()->where('tenant_id', $tenant->id)->orderBy('place')->get()->all(),
            ),
        );
    }
}
