<?php

declare(strict_types=1);

namespace App\Stock;

use App\Access\AccessDenied;
use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Models\NumberState;
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

    /**
     * @param  string  $digits  that stand in it anywhere
     * @return list<StockNumber> free ones, for whoever may do anything for anybody
     */
    public function free(string $technicianId, int $most, string $digits = ''): array
    {
        return $this->scope->technician(
            $technicianId,
            fn (): array => ! $this->scope->hasAnyGrant($technicianId) ? [] : array_values(
                StockNumber::query()->where('state', NumberState::Free->value)
                    ->where('e164', 'like', "%{$digits}%")
                    ->orderBy('e164')
                    ->limit($most)
                    ->get()
                    ->all(),
            ),
        );
    }

    /**
     * @return list<Offer>
     *
     * @throws AccessDenied
     * @throws CarrierTrouble
     */
    public function offers(string $technicianId, Wanted $wanted): array
    {
        $this->requireStocking($technicianId);

        return $this->carrier->search($wanted);
    }

    /**
     * @param  list<string>  $numbers  E.164
     * @return list<Offer> as the carrier has them now
     *
     * @throws AccessDenied
     * @throws CarrierTrouble
     * @throws OrderRefused where one of them is not free there any more
     */
    public function offered(string $technicianId, array $numbers): array
    {
        $this->requireStocking($technicianId);

        return array_map(function (string $number): Offer {
            $found = $this->carrier->search(new Wanted(prefix: ltrim($number, '+'), most: 1));

            return $found[0] ?? throw OrderRefused::gone($number);
        }, $numbers);
    }

    /**
     * Held for us until a day, at no cost.
     *
     * @param  list<Offer>  $offers
     * @param  string  $until  a date, the last day
     *
     * @throws AccessDenied
     * @throws CarrierTrouble
     */
    public function reserve(string $technicianId, array $offers, string $until): void
    {
        $this->requireStocking($technicianId);
        $numbers = array_column($offers, 'number');
        $this->carrier->reserve($numbers, $until);
        $this->scope->technician($technicianId, function () use ($technicianId, $offers, $numbers, $until): void {
            $this->db->select('select stock_reserved(?::jsonb, ?::date)', [json_encode(array_map(
                static fn (Offer $offer): array => [
                    'number' => $offer->number, 'region' => E164::parse($offer->number)->region(),
                    'kind' => $offer->isTollFree ? 'tollFree' : 'local', 'once' => $offer->onceCents,
                    'monthly' => $offer->monthlyCents, 'currency' => $offer->currency,
                ],
                $offers,
            ), JSON_THROW_ON_ERROR), $until]);
            $this->log->note($technicianId, 'reserved numbers', ['numbers' => $numbers, 'until' => $until]);
        });
    }

    /**
     * Back to the carrier, for good: nobody's, and not ours.
     *
     * @param  list<string>  $numbers  E.164
     *
     * @throws AccessDenied
     * @throws CarrierTrouble
     * @throws OrderRefused where one of them is a customer's, or not ours to give back
     */
    public function giveBack(string $technicianId, array $numbers): int
    {
        $this->requireStocking($technicianId);
        $this->scope->technician($technicianId, static function () use ($numbers): void {
            $loose = StockNumber::query()->whereIn('e164', $numbers)->whereNull('tenant_id')
                ->whereNot('state', NumberState::Cancelled->value)
                ->pluck('e164')
                ->all();
            foreach (array_diff($numbers, array_filter($loose, is_string(...))) as $number) {
                throw OrderRefused::notLoose($number);
            }
        });
        $this->carrier->giveBack($numbers);

        return $this->scope->technician($technicianId, function () use ($technicianId, $numbers): int {
            $this->log->note($technicianId, 'gave numbers back to the carrier', ['numbers' => $numbers]);

            return $this->moved('select stock_returned(?::text[]) as moved', $numbers);
        });
    }

    /**
     * They are free before their time.
     *
     * @param  list<string>  $numbers  E.164
     *
     * @throws AccessDenied
     */
    public function endRests(string $technicianId, array $numbers, string $reason): int
    {
        $this->requireStocking($technicianId);

        return $this->scope->technician($technicianId, function () use ($technicianId, $numbers, $reason): int {
            $this->log->note($technicianId, 'ended the rest of numbers', [
                'numbers' => $numbers, 'reason' => $reason,
            ]);

            return $this->moved('select stock_rests_ended(?::text[]) as moved', $numbers);
        });
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
            $ranges = self::ranges($numbers);
            foreach ($numbers as $number) {
                $isNew = StockNumber::query()->insertOrIgnore([
                    'e164' => $number, 'region' => E164::parse($number)->region(),
                    'kind' => E164::parse($number)->isTollFree() ? 'tollFree' : 'local',
                    'came_with' => $ranges[$number] ?? null,
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
            $this->log->note($technicianId, 'took numbers out of stock', ['numbers' => $numbers]);

            return $this->moved('select roster_drop_numbers(?::text[]) as moved', $numbers);
        });
    }

    /**
     * @param  list<string>  $numbers
     * @return array<string, string> the range that a number came in, by number; of those that came alone nothing
     */
    private static function ranges(array $numbers): array
    {
        $sorted = array_map(static fn (string $number): int => (int) $number, $numbers);
        sort($sorted);
        $ranges = $run = [];
        foreach ([...$sorted, null] as $number) {
            if ($run !== [] && ($number === null || $number !== $run[count($run) - 1] + 1)) {
                $said = E164::parse("+{$run[0]}")->display() . ' to '
                    . E164::parse('+' . $run[count($run) - 1])->display();
                foreach (count($run) > 1 ? $run : [] as $each) {
                    $ranges["+{$each}"] = $said;
                }
                $run = [];
            }
            if ($number !== null) {
                $run[] = $number;
            }
        }

        return $ranges;
    }

    /** @param list<string> $numbers */
    private function moved(string $sql, array $numbers): int
    {
        $row = $this->db->selectOne($sql, ['{' . implode(',', $numbers) . '}']);

        return is_object($row) && is_int($row->moved ?? null) ? $row->moved : 0;
    }

    /** @throws AccessDenied */
    private function requireStocking(string $technicianId): void
    {
        if (! $this->scope->technician($technicianId, fn (): bool => $this->scope->mayTakeOn($technicianId))) {
            throw AccessDenied::stock();
        }
    }
}
