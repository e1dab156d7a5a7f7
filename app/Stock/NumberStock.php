<?php

declare(strict_types=1);

namespace App\Stock;

use App\Access\Scope;
use App\Models\StockNumber;
use Jaunty\Core\Numbering\E164;

/**
 * Fills the reseller's stock from the carrier. Who has a number is decided by the book (see App\Book\RevisionWriter).
 */
final readonly class NumberStock
{
    public function __construct(private CarrierDesk $carrier, private Scope $scope)
    {
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

    /** Why the customer in scope cannot be given a number, in words; null where it can. */
    public static function whyNot(string $tenantId, string $number): ?string
    {
        $mayBe = StockNumber::query()->whereKey($number)
            ->where(static fn ($query) => $query->whereNull('tenant_id')->orWhere('tenant_id', $tenantId))
            ->exists();

        return $mayBe ? null : E164::parse($number)->display() . ' is not a free number in stock';
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
