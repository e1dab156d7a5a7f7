<?php

declare(strict_types=1);

namespace App\Demo;

use App\Access\Scope;
use App\Book\DraftDesk;
use App\Book\FieldEdit;
use App\Models\Ability;
use App\Models\NumberOrder;
use App\Models\Push;
use App\Models\PushStatus;
use App\Models\StockNumber;
use App\Models\Technician;
use App\Models\TenantRow;
use App\Papers\PdfPaper;
use App\Papers\PortLetter;
use App\Ports\PortDesk;
use App\Ports\PortSaid;
use App\Push\PushDesk;
use App\Push\PushRunner;
use App\Stock\CarrierWire;
use App\Stock\NumberStock;
use App\Stock\OrderDesk;
use App\Stock\Wanted;
use App\Time\Clock;
use Jaunty\Core\Identity\NameBasedUuid;

/**
 * The demo's numbers: ordered, reserved, asked for and waiting, resting, and on their way from another carrier that
 * turned them down.
 */
final readonly class DemoNumbers
{
    /** Whose old second line was let go, and rests. */
    private const LET_GO_BY = 'northquay-seed-feed';

    private const LET_GO = '+19025550169';

    private const MOST_SLICES = 100;

    public function __construct(
        private NumberStock $stock,
        private OrderDesk $orders,
        private PortDesk $ports,
        private PortLetter $letter,
        private CarrierWire $carrier,
        private Scope $scope,
        private DraftDesk $drafts,
        private PushDesk $pushes,
        private PushRunner $runner,
        private Clock $clock,
    ) {
    }

    /** The first numbers that begin so, once; a house from before orders were kept has them without one. */
    public function order(Technician $lead, string $prefix, int $count): bool
    {
        $known = $this->scope->technician(
            $lead->id,
            static fn (): int => StockNumber::query()->where('e164', 'like', "+{$prefix}%")->count(),
        );

        return $known < $count
            && $this->ask($lead, "first numbers that begin with {$prefix}", new Wanted(prefix: $prefix, most: $count));
    }

    /** Toll-free numbers that are not delivered yet, and two that are held. */
    public function orderAndReserve(Technician $lead): void
    {
        $this->ask($lead, 'toll-free numbers for a customer to come', new Wanted(isTollFree: true, run: 2, most: 1));
        $held = $this->scope->technician(
            $lead->id,
            static fn (): bool => StockNumber::query()->where('state', 'reserved')->exists(),
        );
        if (! $held) {
            $offers = $this->stock->offers($lead->id, new Wanted(prefix: '1782', run: 2, most: 1));
            $this->stock->reserve($lead->id, $offers, $this->clock->now()->modify('+14 days')->format('Y-m-d'));
        }
    }

    /** A line that served and was let go: taken up, pushed, deleted, pushed. */
    public function letGo(Technician $lead): void
    {
        $isDone = $this->scope->technician(
            $lead->id,
            static fn (): bool => StockNumber::query()->where('state', 'resting')->exists(),
        );
        if ($isDone) {
            return;
        }
        $object = 'number:' . self::LET_GO;
        $this->entered($lead, 'A second line for the season', FieldEdit::of('create', $object, '', [
            'label' => 'Seed season', 'destination' => 'attendant:main',
        ]));
        $this->entered($lead, 'The season is over', FieldEdit::of('delete', $object, null, null));
    }

    /** The number that a customer brings along: sent, and turned down since two of the account stay. */
    public function port(Technician $lead, TenantRow $tenant, DemoCustomer $customer): void
    {
        if ($this->ports->ofCustomer($lead->id, $tenant->id) !== []) {
            return;
        }
        $answers = $customer->answers;
        $text = static fn (string $slot): string => is_string($answers[$slot] ?? null) ? $answers[$slot] : '';
        $account = array_map(static fn (int $more): string => (string) ((int) Customers::PORTED + $more), [0, 1, 2]);
        $this->carrier->post('/on-file', [
            'msisdn' => $account[0], 'subscriber' => $customer->name(), 'postal' => $text('postcode'),
            'account' => 'HT-20417', 'all' => $account,
        ]);
        $id = NameBasedUuid::of($tenant->id, 'the number they bring along');
        $this->ports->open($lead->id, $tenant->id, $id, new PortSaid(
            [Customers::PORTED],
            $customer->name(),
            $text('street'),
            $text('city'),
            $text('postcode'),
            'Harbour Telephone',
            'HT-20417',
            '',
            $customer->people()[0]['name'],
            null,
            false,
            [],
            '',
            Customers::PORTED_ON,
            '09:00-12:00',
        ));
        $this->papers($lead, $tenant, $id);
        $this->ports->send($lead->id, $tenant->id, $id);
        $this->carrier->post('/clock', ['day' => $this->clock->now()->format('Y-m-d')]);
        $this->ports->follow($lead->id, $tenant->id);
    }

    /** The letter as it was made here, signed on paper; the bill is a page that says it is one. */
    private function papers(Technician $lead, TenantRow $tenant, string $id): void
    {
        [$case, $row] = $this->ports->forLetter($lead->id, $tenant->id, $id);
        $bill = PdfPaper::of(
            "<h1>{$case->wish()->losingCarrier}</h1><p>Sample of a bill.</p>",
            'Bill',
            $this->clock->now(),
        );
        foreach (['authority' => $this->letter->of($case, $row, 'en'), 'bill' => $bill] as $paper => $bytes) {
            $this->ports->putPaper(
                $lead->id,
                $tenant->id,
                $id,
                $paper,
                "{$paper}.pdf",
                $bytes,
                $paper === 'bill' ? $this->clock->now()->modify('-12 days')->format('Y-m-d') : null,
            );
        }
    }

    /** Whether it was asked for now: what was before is not again. */
    private function ask(Technician $by, string $what, Wanted $wanted): bool
    {
        $offers = $this->stock->offers($by->id, $wanted);
        $id = NameBasedUuid::of($by->id, $what);
        $isThere = array_filter(
            $this->orders->all($by->id),
            static fn (NumberOrder $order): bool => $order->id === $id,
        ) !== [];
        if ($offers === [] || $isThere) {
            return false;
        }
        $this->orders->ask(
            $by,
            $id,
            array_column($offers, 'number'),
            array_sum(array_column($offers, 'onceCents')),
            array_sum(array_column($offers, 'monthlyCents')),
            $offers[0]->currency,
        );

        return true;
    }

    private function entered(Technician $lead, string $note, FieldEdit $edit): void
    {
        $this->scope->tenant($lead->id, self::LET_GO_BY, Ability::Edit, function (TenantRow $tenant) use (
            $lead,
            $note,
            $edit,
        ): void {
            $this->drafts->edit($tenant, $lead->id, [$edit]);
            $this->drafts->enter($tenant, $lead->id, $note);
        });
        $push = $this->scope->tenant(
            $lead->id,
            self::LET_GO_BY,
            Ability::Push,
            fn (TenantRow $tenant): Push => $this->pushes->ask($tenant, $lead->id, null),
        );
        for ($slice = 0; $slice < self::MOST_SLICES; $slice++) {
            // Where workers are there already, one of them may have it.
            $wait = $this->runner->carryOn($push->tenant_id, $lead->id, $push->id);
            $isOver = $this->scope->tenant($lead->id, self::LET_GO_BY, Ability::Read, static fn (): bool => in_array(
                Push::query()->findOrFail($push->id)->status,
                [PushStatus::Done, PushStatus::Stopped],
                true,
            ));
            if ($isOver) {
                return;
            }
            sleep(max(1, $wait ?? 1));
        }
    }
}
