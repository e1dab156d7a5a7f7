<?php

declare(strict_types=1);

namespace App\Stock;

use App\Models\PortState;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\PendingRequest;

/** Orders numbers from the carrier desk, and has numbers brought over from other carriers. */
final readonly class CarrierDesk
{
    private const ADDRESS = [
        'premises' => 'street', 'town' => 'city', 'district' => 'subdivision', 'postal' => 'postcode',
        'land' => 'country',
    ];

    public function __construct(private Factory $http, private string $url, private string $token)
    {
    }

    /**
     * @param  string  $prefix  first digits, country code first, no plus
     * @return list<array{number: string, monthlyCents: int}> free numbers in E.164
     *
     * @throws CarrierTrouble
     */
    public function search(string $prefix, int $most): array
    {
        $found = [];
        $answer = $this->answer(fn () => $this->request()->get('/inventory', ['prefix' => $prefix, 'most' => $most]));
        foreach (is_array($answer['found'] ?? null) ? $answer['found'] : [] as $row) {
            if (is_array($row) && is_string($row['msisdn'] ?? null) && is_int($row['monthly_cents'] ?? null)) {
                $found[] = ['number' => "+{$row['msisdn']}", 'monthlyCents' => $row['monthly_cents']];
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
        $answer = $this->answer(fn () => $this->request()->get('/inventory', ['prefix' => '1', 'most' => 1]));
        if (! is_array($answer['found'] ?? null)) {
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
        $answer = $this->answer(fn () => $this->request()->post('/addresses', $asked));
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
     * @return string the carrier's receipt
     *
     * @throws CarrierTrouble
     */
    public function order(string $number, string $holder, int $agreedMonthlyCents): string
    {
        $answer = $this->answer(fn () => $this->request()->post(
            '/orders',
            ['msisdn' => ltrim($number, '+'), 'holder' => $holder, 'agreed_price' => $agreedMonthlyCents],
        ));

        return is_string($answer['receipt'] ?? null)
            ? $answer['receipt']
            : throw new CarrierTrouble('it gave no receipt');
    }

    /**
     * @param  string  $holder  the customer's key
     * @return list<PortOrder> in the order they were placed
     *
     * @throws CarrierTrouble
     */
    public function ports(string $holder): array
    {
        $answer = $this->answer(fn () => $this->request()->get('/transfers', ['holder' => $holder]));
        $rows = is_array($answer['transfers'] ?? null)
            ? $answer['transfers']
            : throw new CarrierTrouble('it gave no list of ports');

        return array_map(self::placed(...), array_values($rows));
    }

    /**
     * @param  string  $reference  ours; the same one twice places one order
     * @param  PortRequest  $wanted  what the customer's bill says
     *
     * @throws CarrierTrouble
     */
    public function port(string $holder, string $reference, PortRequest $wanted): PortOrder
    {
        return self::placed($this->answer(fn () => $this->request()->post('/transfers', [
            'holder' => $holder, 'reference' => $reference,
            'msisdns' => array_map(static fn (string $number): string => ltrim($number, '+'), $wanted->numbers),
            'subscriber' => $wanted->name,
            'premises' => $wanted->street, 'postal' => $wanted->postcode, 'losing' => $wanted->losingCarrier,
            'account' => $wanted->account, 'day' => $wanted->day,
        ])));
    }

    private static function placed(mixed $row): PortOrder
    {
        $text = static fn (string $field): string => is_array($row) && is_string($row[$field] ?? null)
            ? $row[$field]
            : throw new CarrierTrouble("a port has no {$field}");
        $numbers = is_array($row) && is_array($row['msisdns'] ?? null)
            ? array_values(array_filter($row['msisdns'], is_string(...)))
            : [];

        return new PortOrder(
            $text('id'),
            new PortRequest(
                array_map(static fn (string $msisdn): string => "+{$msisdn}", $numbers),
                $text('subscriber'),
                $text('premises'),
                $text('postal'),
                $text('losing'),
                $text('account'),
                $text('day'),
            ),
            match ($text('stage')) {
                'asked' => PortState::Asked,
                'dated' => PortState::Dated,
                'turned_down' => PortState::Rejected,
                'done' => PortState::Done,
                default => throw new CarrierTrouble("a port is {$text('stage')}, which nobody here knows"),
            },
            $text('remark'),
        );
    }

    private function request(): PendingRequest
    {
        return $this->http->baseUrl(
            $this->url,
        )->withToken($this->token)->acceptJson()->asJson()->timeout(10)->withOptions(['proxy' => '']);
    }

    /**
     * @param  callable(): \Illuminate\Http\Client\Response  $send
     * @return array<mixed>
     */
    private function answer(callable $send): array
    {
        if ($this->url === '') {
            throw new CarrierTrouble('no carrier is set up yet; a lead technician names one under Settings');
        }
        try {
            $response = $send();
        } catch (ConnectionException) {
            throw new CarrierTrouble('it cannot be reached');
        }
        $body = $response->json();
        if (! $response->successful() || ! is_array($body)) {
            throw new CarrierTrouble(
                is_array($body) && is_string($body['fault'] ?? null) ? $body['fault'] : "HTTP {$response->status()}",
            );
        }

        return $body;
    }
}
