<?php

declare(strict_types=1);

namespace App\Stock;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\Response;

/** The way to the carrier desk: what it answers, or the trouble in words. */
final readonly class CarrierWire
{
    private const SECONDS = 10;

    public function __construct(
        private Factory $http,
        private string $url,
        #[\SensitiveParameter]
        private string $token,
    ) {
    }

    /**
     * @param  array<string, scalar>  $query
     * @return array<mixed>
     *
     * @throws CarrierTrouble
     */
    public function get(string $path, array $query = []): array
    {
        return $this->send('GET', $path, ['query' => $query]);
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<mixed>
     *
     * @throws CarrierTrouble
     */
    public function post(string $path, array $body = []): array
    {
        return $this->send('POST', $path, ['json' => (object) $body]);
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<mixed>
     *
     * @throws CarrierTrouble
     */
    public function put(string $path, array $body): array
    {
        return $this->send('PUT', $path, ['json' => (object) $body]);
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<mixed>
     *
     * @throws CarrierTrouble
     */
    public function patch(string $path, array $body): array
    {
        return $this->send('PATCH', $path, ['json' => (object) $body]);
    }

    /**
     * @return array<mixed>
     *
     * @throws CarrierTrouble
     */
    public function delete(string $path): array
    {
        return $this->send('DELETE', $path, []);
    }

    /**
     * @param  array<string, mixed>  $options
     * @return array<mixed>
     */
    private function send(string $method, string $path, array $options): array
    {
        if ($this->url === '') {
            throw new CarrierTrouble('no carrier is set up yet; a lead technician names one under Settings', true);
        }
        try {
            $response = $this->http->baseUrl($this->url)->withToken($this->token)->acceptJson()->timeout(self::SECONDS)
                ->withOptions(['proxy' => ''])->send($method, $path, $options);
        } catch (ConnectionException) {
            throw new CarrierTrouble('it cannot be reached');
        }
        if (! $response instanceof Response) {
            throw new \LogicException('nobody asks the carrier for promises');
        }
        $body = $response->json();
        if (! $response->successful() || ! is_array($body)) {
            $fault = is_array($body) && is_string($body['fault'] ?? null) ? $body['fault'] : null;
            throw new CarrierTrouble(
                $fault ?? "HTTP {$response->status()}",
                $response->clientError(),
                is_array($body) && is_string($body['where'] ?? null) ? $body['where'] : null,
            );
        }

        return $body;
    }
}
