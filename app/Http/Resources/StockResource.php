<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\NumberOrder;
use App\Models\OrderState;
use App\Models\Technician;
use App\Stock\Offer;
use App\Stock\OrderDesk;
use App\Stock\StockLine;
use Jaunty\Core\Numbering\E164;

/** Numbers, offers and orders as the stock page shows them. */
final readonly class StockResource
{
    public function __construct(private OrderDesk $orders)
    {
    }

    /** @return array<string, mixed> */
    public static function line(StockLine $line): array
    {
        return [
            'number' => $line->number, 'display' => E164::parse($line->number)->display(), 'region' => $line->region,
            'kind' => $line->kind, 'state' => $line->state->value, 'since' => $line->since, 'until' => $line->until,
            'customer' => $line->customer, 'customerName' => $line->customerName, 'label' => $line->label,
            'leadsTo' => $line->leadsTo, 'cameWith' => $line->cameWith, 'onceCents' => $line->onceCents,
            'monthlyCents' => $line->monthlyCents, 'currency' => $line->currency,
            'may' => $line->state->allows($line->customer !== null),
        ];
    }

    /** @return array<string, mixed> */
    public static function offer(Offer $offer): array
    {
        return [
            'number' => $offer->number, 'display' => E164::parse($offer->number)->display(), 'town' => $offer->town,
            'isTollFree' => $offer->isTollFree, 'onceCents' => $offer->onceCents,
            'monthlyCents' => $offer->monthlyCents, 'currency' => $offer->currency, 'run' => $offer->run,
        ];
    }

    /** @return array<string, mixed> */
    public function order(NumberOrder $order, Technician $reader): array
    {
        $names = Technician::query()->whereIn('id', [$order->asked_by, $order->decided_by ?? $order->asked_by])
            ->pluck('name', 'id');

        return [
            'id' => $order->id, 'numbers' => $order->numbers, 'onceCents' => $order->once_cents,
            'monthlyCents' => $order->monthly_cents, 'currency' => $order->currency, 'state' => $order->state->value,
            'askedBy' => $names[$order->asked_by] ?? '', 'askedAt' => $order->asked_at->toAtomString(),
            'decidedBy' => $names[(string) $order->decided_by] ?? null,
            'decidedAt' => $order->decided_at?->toAtomString(), 'receipt' => $order->receipt,
            'lines' => $order->lines ?? [], 'trouble' => $order->trouble,
            'mayDecide' => $order->state === OrderState::Waiting
                && $this->orders->mayDecide($reader, $order->once_cents, $order->monthly_cents),
        ];
    }
}
