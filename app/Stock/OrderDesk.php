<?php

declare(strict_types=1);

namespace App\Stock;

use App\Access\AccessDenied;
use App\Access\Leads;
use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Book\BookRepository;
use App\House\House;
use App\Models\Ability;
use App\Models\NumberOrder;
use App\Models\OrderState;
use App\Models\StockNumber;
use App\Models\Technician;
use App\Roster\SummaryKeeper;
use App\Time\Clock;
use Illuminate\Database\ConnectionInterface;
use Jaunty\Core\Numbering\E164;

/**
 * Orders of numbers: written down first, confirmed by whoever may order as much, then sent. What the carrier has not
 * answered is asked for again under the same reference, so nothing is ordered twice.
 */
final readonly class OrderDesk
{
    private const MOST_SHOWN = 100;

    public function __construct(
        private CarrierDesk $carrier,
        private Scope $scope,
        private ActivityLog $log,
        private Clock $clock,
        private House $house,
        private Leads $leads,
        private BookRepository $books,
        private SummaryKeeper $summaries,
        private ConnectionInterface $db,
    ) {
    }

    /**
     * @param  string  $id  of this order as it was filled in: sent twice it is one order
     * @param  list<string>  $numbers  in E.164
     *
     * @throws AccessDenied
     * @throws OrderRefused
     */
    public function ask(
        Technician $technician,
        string $id,
        array $numbers,
        int $onceCents,
        int $monthlyCents,
        string $currency,
    ): NumberOrder {
        $this->leads->requireFactor($technician, 'bill');
        $order = $this->scope->technician($technician->id, function () use (
            $technician,
            $id,
            $numbers,
            $onceCents,
            $monthlyCents,
            $currency,
        ): NumberOrder {
            $isBiller = $this->mayBill($technician);
            if (! $isBiller && ! $this->scope->mayTakeOn($technician->id)) {
                throw AccessDenied::stock();
            }
            $mayDecide = $isBiller && $this->isWithin($technician, $onceCents, $monthlyCents);
            $isNew = NumberOrder::query()->insertOrIgnore([
                'id' => $id, 'asked_by' => $technician->id, 'asked_at' => $this->clock->now(),
                'numbers' => json_encode($numbers, JSON_THROW_ON_ERROR), 'once_cents' => $onceCents,
                'monthly_cents' => $monthlyCents, 'currency' => $currency,
                'state' => ($mayDecide ? OrderState::Sent : OrderState::Waiting)->value,
                'decided_by' => $mayDecide ? $technician->id : null,
                'decided_at' => $mayDecide ? $this->clock->now() : null,
            ]) === 1;
            $order = NumberOrder::query()->findOrFail($id);
            if ($order->numbers !== $numbers || $order->monthly_cents !== $monthlyCents
                || $order->once_cents !== $onceCents) {
                throw OrderRefused::another();
            }
            $this->log->note($technician->id, $isNew ? 'asked for numbers' : 'asked for numbers again', [
                'numbers' => $numbers, 'onceCents' => $onceCents, 'monthlyCents' => $monthlyCents,
            ]);

            return $order;
        });

        return $this->placed($technician, $order);
    }

    /**
     * Confirms an order that waits, or refuses it with a reason.
     *
     * @throws AccessDenied
     * @throws OrderRefused
     */
    public function decide(Technician $technician, string $id, bool $isConfirmed, string $reason): NumberOrder
    {
        $this->leads->requireFactor($technician, 'bill');
        $order = $this->scope->technician($technician->id, function () use (
            $technician,
            $id,
            $isConfirmed,
            $reason,
        ): NumberOrder {
            $order = NumberOrder::query()->lockForUpdate()->findOrFail($id);
            if (! $this->mayBill($technician)) {
                throw AccessDenied::ordering();
            }
            if ($order->state !== OrderState::Waiting) {
                throw OrderRefused::decided();
            }
            if ($isConfirmed && ! $this->isWithin($technician, $order->once_cents, $order->monthly_cents)) {
                throw OrderRefused::forLeads(self::money($this->house->settings()->orderLimitCents ?? 0));
            }
            $order->forceFill([
                'state' => $isConfirmed ? OrderState::Sent : OrderState::Refused,
                'decided_by' => $technician->id, 'decided_at' => $this->clock->now(),
                'trouble' => $isConfirmed ? null : $reason,
            ])->save();
            $this->log->note($technician->id, $isConfirmed ? 'confirmed an order' : 'refused an order', [
                'order' => $id, 'numbers' => $order->numbers, 'reason' => $reason,
            ]);

            return $order;
        });

        return $this->placed($technician, $order);
    }

    /**
     * Asks the carrier once more about what was sent and not answered.
     *
     * @throws AccessDenied
     */
    public function again(Technician $technician, string $id): NumberOrder
    {
        $order = $this->scope->technician($technician->id, function () use ($technician, $id): NumberOrder {
            $this->requireStocking($technician);
            $this->log->note($technician->id, 'asked the carrier about an order', ['order' => $id]);

            return NumberOrder::query()->findOrFail($id);
        });

        return $this->placed($technician, $order);
    }

    /** By night: what was sent and not answered, and what the carrier had still to deliver. */
    public function settle(Technician $technician): int
    {
        $orders = $this->scope->technician($technician->id, static fn (): array => array_values(
            NumberOrder::query()->where('state', OrderState::Sent->value)->orderBy('asked_at')->get()->all(),
        ));
        foreach ($orders as $order) {
            $this->placed($technician, $order);
        }
        $waiting = $this->scope->technician($technician->id, fn (): array => $this->db->table('numbers as n')
            ->join('number_orders as o', 'o.receipt', '=', 'n.carrier_receipt')
            ->where('n.state', 'ordered')
            ->distinct()
            ->pluck('o.id')
            ->all());
        $delivered = 0;
        foreach (array_filter($waiting, is_string(...)) as $id) {
            try {
                $bought = $this->carrier->orderOf($id);
            } catch (CarrierTrouble) {
                continue;
            }
            $delivered += $this->delivered($technician, array_values(array_diff(
                $bought->numbers,
                $bought->waiting,
            )));
        }

        return $delivered;
    }

    /** @return list<NumberOrder> the newest first */
    public function all(string $technicianId): array
    {
        return $this->scope->technician($technicianId, static fn (): array => array_values(
            NumberOrder::query()->orderByDesc('asked_at')->orderBy('id')->limit(self::MOST_SHOWN)->get()->all(),
        ));
    }

    public function mayDecide(Technician $technician, int $onceCents, int $monthlyCents): bool
    {
        return $this->isWithin($technician, $onceCents, $monthlyCents)
            && $this->scope->technician($technician->id, fn (): bool => $this->mayBill($technician));
    }

    /** Leads order, and billers; no program does. */
    private function mayBill(Technician $technician): bool
    {
        return $technician->lead && $this->scope->isPerson() || $this->scope->mayBill($technician->id);
    }

    /** Whether it is not too much: for leads nothing is, for others what is above the limit of the house. */
    private function isWithin(Technician $technician, int $onceCents, int $monthlyCents): bool
    {
        $limit = $this->house->settings()->orderLimitCents;

        return $technician->lead || $limit === null || $onceCents + $monthlyCents <= $limit;
    }

    private function placed(Technician $technician, NumberOrder $order): NumberOrder
    {
        if ($order->state !== OrderState::Sent) {
            return $order;
        }
        try {
            $bought = $this->carrier->order(
                $order->id,
                $order->numbers,
                $order->once_cents,
                $order->monthly_cents,
            );
            $outcome = ['state' => OrderState::Ordered, 'receipt' => $bought->receipt, 'lines' => $bought->lines,
                'trouble' => null];
        } catch (CarrierTrouble $trouble) {
            $bought = null;
            $outcome = $trouble->isRefusal
                ? ['state' => OrderState::Refused, 'trouble' => $trouble->why]
                : ['trouble' => "{$trouble->why}; whether it has the order is not known yet"];
        }

        return $this->scope->technician($technician->id, function () use ($order, $bought, $outcome): NumberOrder {
            if ($bought !== null) {
                $this->db->select('select stock_ordered(?::jsonb)', [json_encode(array_map(
                    static fn (string $number): array => [
                        'number' => $number, 'region' => E164::parse($number)->region(),
                        'kind' => E164::parse($number)->isTollFree() ? 'tollFree' : 'local',
                        'waits' => in_array($number, $bought->waiting, true), 'receipt' => $bought->receipt,
                        'with' => "order {$bought->receipt}", 'once' => $bought->prices[$number][0] ?? null,
                        'monthly' => $bought->prices[$number][1] ?? null,
                        'currency' => $bought->currency,
                    ],
                    $bought->numbers,
                ), JSON_THROW_ON_ERROR)]);
            }
            $order->forceFill($outcome)->save();

            return $order;
        });
    }

    /** @param list<string> $numbers */
    private function delivered(Technician $technician, array $numbers): int
    {
        [$moved, $whose] = $this->scope->technician($technician->id, function () use ($numbers): array {
            $row = $this->db->selectOne('select stock_delivered(?::text[]) as moved', [
                '{' . implode(',', $numbers) . '}',
            ]);

            return [
                is_object($row) && is_int($row->moved ?? null) ? $row->moved : 0,
                StockNumber::query()->whereIn('e164', $numbers)->whereNotNull('tenant_id')->distinct()
                    ->pluck('tenant_id')
                    ->all(),
            ];
        });
        foreach (array_filter($whose, is_string(...)) as $tenantId) {
            // A rule says that the book waits for what is there.
            $this->scope->tenant($technician->id, $tenantId, Ability::Read, function () use ($tenantId): void {
                $this->summaries->findingsSifted($tenantId, $this->books->head($tenantId));
            });
        }

        return $moved;
    }

    private function requireStocking(Technician $technician): void
    {
        if (! $this->scope->mayTakeOn($technician->id) && ! $this->mayBill($technician)) {
            throw AccessDenied::stock();
        }
    }

    private static function money(int $cents): string
    {
        return number_format($cents / 100, 2);
    }
}
