<?php

declare(strict_types=1);

namespace App\Stock;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\PendingRequest;

/** Orders numbers from the carrier desk. */
final readonly class CarrierDesk
{
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
     * @return string the carrier's receipt
     *
     * @throws CarrierTrouble
     */
    public function order(string $number, string $holder, int $agreedMonthlyCents): string
    {
        $answer = $this->answer(fn () => $this->request()->post('/orders', ['msisdn' => ltrim($number, '+'), 'holder' => $holder, 'agreed_price' => $agreedMonthlyCents]));

        return is_string($answer['receipt'] ?? null) ? $answer['receipt'] : throw new CarrierTrouble('it gave no receipt');
    }

    private function request(): PendingRequest
    {
        return $this->http->baseUrl($this->url)->withToken($this->token)->acceptJson()->asJson()->timeout(10)->withOptions(['proxy' => '']);
    }

    /**
     * @param  callable(): \Illuminate\Http\Client\Response  $send
     * @return array<mixed>
     */
    private function answer(callable $send): array
    {
        try {
            $response = $send();
        } catch (ConnectionException) {
            throw new CarrierTrouble('it cannot be reached');
        }
        $body = $response->json();
        if (! $response->successful() || ! is_array($body)) {
            throw new CarrierTrouble(is_array($body) && is_string($body['fault'] ?? null) ? $body['fault'] : "HTTP {$response->status()}");
        }

        return $body;
    }
}
