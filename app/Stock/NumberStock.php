<?php

declare(strict_types=1);

namespace App\Stock;

use App\Access\AccessDenied;
use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Models\StockNumber;
use App\Support\Parts;
use Illuminate\Database\ConnectionInterface;
use Jaunty\Core\Numbering\E164;

/**
 * Fills the reseller's stock from the carrier. Who has a number is decided by the book (see App\Book\RevisionWriter).
 */
final readonly class NumberStock
{
    public function __construct(
        private CarrierDesk $carrier,
        private Scope $scope,
        private ActivityLog $log,
        private ConnectionInterface $db,
    ) {
    }

    /** @return list<StockNumber> free ones, for whoever may do anything for anybody */
    public function free(string $technicianId, int $most): array
    {
        return $this->scope->technician(
            $technicianId,
            fn (): array => ! $this->scope->hasAnyGrant($technicianId) ? [] : array_values(
                StockNumber::query()->whereNull('tenant_id')->orderBy('e164')->limit($most)->get()->all(),
            ),
        );
    }

    /**
     * @param  string  $prefix  first digits, country code first, no plus
     * @return list<array{number: string, monthlyCents: int}>
     *
     * @throws AccessDenied
     * @throws CarrierTrouble
     */
    public function offers(string $technicianId, string $prefix, int $most): array
    {
        $this->requireStocking($technicianId);

        return $this->carrier->search($prefix, $most);
    }

    /**
     * Orders what was offered, at the price that was agreed to; the same order twice is one order at the carrier.
     *
     * @param  bool  $isLead  leads may order whatever they are granted
     * @param  list<array{number: string, monthlyCents: int}>  $chosen
     * @param  string  $holder  the reseller, as the carrier knows it
     * @return array{list<string>, ?string} what is in stock now, and why the rest is not
     *
     * @throws AccessDenied
     */
    public function orderChosen(string $technicianId, bool $isLead, array $chosen, string $holder): array
    {
        $mayBill = fn (): bool => $this->scope->mayBill($technicianId);
        if (! $isLead && ! $this->scope->technician($technicianId, $mayBill)) {
            throw AccessDenied::ordering();
        }
        $ordered = [];
        $trouble = null;
        foreach ($chosen as $each) {
            try {
                $receipt = $this->carrier->order($each['number'], $holder, $each['monthlyCents']);
            } catch (CarrierTrouble $fault) {
                // What was ordered before is ours, and is kept.
                $trouble = $fault->getMessage();

                break;
            }
            $ordered[] = ['e164' => $each['number'], 'carrier_receipt' => $receipt,
                'region' => E164::parse($each['number'])->region()];
        }
        $this->scope->technician($technicianId, function () use ($ordered, $technicianId): void {
            StockNumber::query()->insertOrIgnore($ordered);
            $this->log->note($technicianId, 'ordered numbers', ['numbers' => array_column($ordered, 'e164')]);
        });

        return [array_column($ordered, 'e164'), $trouble];
    }

    /**
     * Which of them are in stock and free already; whose the others are, if anybody's, is told when they are added.
     *
     * @param  list<string>  $numbers  E.164
     * @return list<string>
     *
     * @throws AccessDenied
     */
    public function inStock(string $technicianId, array $numbers): array
    {
        $this->requireStocking($technicianId);

        return $this->scope->technician($technicianId, static fn (): array => array_values(array_filter(
            array_merge(...array_map(
                static fn (array $some): array => StockNumber::query()->whereIn('e164', $some)->pluck('e164')->all(),
                Parts::of($numbers),
            )),
            is_string(...),
        )));
    }

    /**
     * Numbers that the carrier gave the reseller otherwise.
     *
     * @param  list<string>  $numbers  E.164
     * @return list<string> those that were not there before
     *
     * @throws AccessDenied
     */
    public function add(string $technicianId, array $numbers): array
    {
        $this->requireStocking($technicianId);

        return $this->scope->technician($technicianId, function () use ($technicianId, $numbers): array {
            $added = [];
            foreach ($numbers as $number) {
                $isNew = StockNumber::query()->insertOrIgnore([
                    'e164' => $number, 'region' => E164::parse($number)->region(),
                ]) === 1;
                if ($isNew) {
                    $added[] = $number;
                }
            }
            $this->log->note($technicianId, 'put numbers into stock', ['numbers' => $added]);

            return $added;
        });
    }

    /**
     * Those of them that are free and were not ordered here.
     *
     * @param  list<string>  $numbers
     *
     * @throws AccessDenied
     */
    public function takeOut(string $technicianId, array $numbers): int
    {
        $this->requireStocking($technicianId);

        return $this->scope->technician($technicianId, function () use ($technicianId, $numbers): int {
            $row = $this->db->selectOne('select roster_drop_numbers(?::text[]) as gone', [
                '{' . implode(',', $numbers) . '}',
            ]);
            $gone = is_object($row) && is_int($row->gone ?? null) ? $row->gone : 0;
            $this->log->note($technicianId, 'took numbers out of stock', ['numbers' => $numbers]);

            return $gone;
        });
    }

    /** @throws AccessDenied */
    private function requireStocking(string $technicianId): void
    {
        if (! $this->scope->technician($technicianId, fn (): bool => $this->scope->mayTakeOn($technicianId))) {
            throw AccessDenied::stock();
        }
    }

    /**
     * Orders the first free numbers that begin so.
     *
     * @return list<string> in E.164
     *
     * @throws CarrierTrouble
     */
    public function order(string $technicianId, string $prefix, int $count, string $holder): array
    {
        $rows = [];
        foreach ($this->carrier->search($prefix, $count) as $offer) {
            $rows[] = [
                'e164' => $offer['number'],
                'carrier_receipt' => $this->carrier->order($offer['number'], $holder, $offer['monthlyCents']),
                'region' => E164::parse($offer['number'])->region(),
            ];
        }
        $this->scope->technician($technicianId, static fn (): int => StockNumber::query()->insertOrIgnore($rows));

        return array_column($rows, 'e164');
    }
}
