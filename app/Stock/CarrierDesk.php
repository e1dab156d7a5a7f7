<?php

declare(strict_types=1);

namespace App\Stock;

/** Finds, reserves, orders and returns numbers at the carrier, and asks it about addresses. */
final readonly class CarrierDesk
{
    private const ADDRESS = [
        'premises' => 'street', 'town' => 'city', 'district' => 'subdivision', 'postal' => 'postcode',
        'land' => 'country',
    ];

    public function __construct(private CarrierWire $wire)
    {
    }

    /**
     * @return list<Offer>
     *
     * @throws CarrierTrouble
     */
    public function search(Wanted $wanted): array
    {
        $answer = $this->wire->get('/inventory', $wanted->asAsked());
        $currency = is_string($answer['currency'] ?? null) ? $answer['currency'] : '';
        $found = [];
        foreach (is_array($answer['found'] ?? null) ? $answer['found'] : [] as $row) {
            if (
                is_array($row) && is_string($row['msisdn'] ?? null) && is_int($row['monthly_cents'] ?? null)
                && is_int($row['once_cents'] ?? null)
            ) {
                $run = $row['run'] ?? null;
                $found[] = new Offer(
                    "+{$row['msisdn']}",
                    is_string($row['town'] ?? null) ? $row['town'] : '',
                    ($row['toll_free'] ?? false) === true,
                    $row['once_cents'],
                    $row['monthly_cents'],
                    $currency,
                    is_string($run) ? "+{$run}" : null,
                );
            }
        }

        return $found;
    }

    /**
     * Asks it for something small, to find out whether address and token are right.
     *
     * @throws CarrierTrouble
     */
    public function reach(): void
    {
        if (! is_array($this->wire->get('/inventory', ['most' => 1])['found'] ?? null)) {
            throw new CarrierTrouble('what answers there is no carrier desk');
        }
    }

    /**
     * Whether help would find an address.
     *
     * @param  array<string, string>  $address  street, city, subdivision, postcode, country
     * @return array{'good'|'better'|'unknown', ?array<string, string>, string} with the address as the carrier writes
     *     it, where that is otherwise, and its remark
     *
     * @throws CarrierTrouble
     */
    public function checkAddress(array $address): array
    {
        $asked = array_map(static fn (string $part): string => $address[$part] ?? '', self::ADDRESS);
        // The carrier names a district without its country (ISO 3166-2: CA-NS is Nova Scotia).
        $asked['district'] = (string) preg_replace('/^[A-Z]{2}-/', '', $asked['district']);
        $answer = $this->wire->post('/addresses', $asked);
        $verdict = $answer['verdict'] ?? null;
        $as = is_array($answer['as'] ?? null) ? $answer['as'] : [];
        $better = [];
        foreach (self::ADDRESS as $theirs => $ours) {
            if (is_string($as[$theirs] ?? null)) {
                $better[$ours] = $as[$theirs] === $asked[$theirs] ? $address[$ours] ?? '' : $as[$theirs];
            }
        }

        return [
            match (true) {
                $verdict === 'good', $verdict === 'unknown' => $verdict,
                $verdict === 'better' && count($better) === count(self::ADDRESS) => $verdict,
                default => throw new CarrierTrouble('it gave no verdict of the address'),
            },
            $verdict === 'better' ? $better : null,
            is_string($answer['remark'] ?? null) ? $answer['remark'] : '',
        ];
    }

    /**
     * @param  list<string>  $numbers  in E.164
     * @param  string  $until  a date, the last day
     *
     * @throws CarrierTrouble
     */
    public function reserve(array $numbers, string $until): void
    {
        $this->wire->post('/reservations', ['msisdns' => self::bare($numbers), 'until' => $until]);
    }

    /**
     * All of them, or none; the same reference twice is one order.
     *
     * @param  list<string>  $numbers  in E.164
     *
     * @throws CarrierTrouble
     */
    public function order(string $reference, array $numbers, int $onceCents, int $monthlyCents): Purchase
    {
        return self::purchase($this->wire->post('/orders', [
            'reference' => $reference, 'msisdns' => self::bare($numbers),
            'agreed' => ['once_cents' => $onceCents, 'monthly_cents' => $monthlyCents],
        ]));
    }

    /** @throws CarrierTrouble */
    public function orderOf(string $reference): Purchase
    {
        return self::purchase($this->wire->get("/orders/{$reference}"));
    }

    /**
     * @param  list<string>  $numbers  in E.164
     *
     * @throws CarrierTrouble
     */
    public function giveBack(array $numbers): void
    {
        $this->wire->post('/releases', ['msisdns' => self::bare($numbers)]);
    }

    /** @param array<mixed> $answer */
    private static function purchase(array $answer): Purchase
    {
        $lines = [];
        foreach (is_array($answer['lines'] ?? null) ? $answer['lines'] : [] as $line) {
            if (is_array($line) && is_string($line['what'] ?? null)) {
                $whole = static fn (string $of): int => is_int($line[$of] ?? null) ? $line[$of] : 0;
                $lines[] = [
                    'what' => $line['what'], 'count' => $whole('count'), 'onceCents' => $whole('once_cents'),
                    'monthlyCents' => $whole('monthly_cents'),
                ];
            }
        }

        return new Purchase(
            self::numbers($answer['msisdns'] ?? null),
            self::numbers($answer['waiting'] ?? null),
            is_string($answer['receipt'] ?? null)
                ? $answer['receipt']
                : throw new CarrierTrouble('it gave no receipt'),
            $lines,
            is_string($answer['currency'] ?? null) ? $answer['currency'] : '',
            self::prices($answer['each'] ?? null),
        );
    }

    /** @return array<string, array{int, int}> */
    private static function prices(mixed $each): array
    {
        $prices = [];
        foreach (is_array($each) ? $each : [] as $row) {
            if (
                is_array($row) && is_string($row['msisdn'] ?? null) && is_int($row['once_cents'] ?? null)
                && is_int($row['monthly_cents'] ?? null)
            ) {
                $prices["+{$row['msisdn']}"] = [$row['once_cents'], $row['monthly_cents']];
            }
        }

        return $prices;
    }

    /**
     * @param  list<string>  $numbers
     * @return list<string>
     */
    private static function bare(array $numbers): array
    {
        return array_map(static fn (string $number): string => ltrim($number, '+'), $numbers);
    }

    /** @return list<string> in E.164 */
    private static function numbers(mixed $given): array
    {
        return array_map(
            static fn (string $msisdn): string => "+{$msisdn}",
            array_values(array_filter(is_array($given) ? $given : [], is_string(...))),
        );
    }
}
