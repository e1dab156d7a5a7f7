<?php

declare(strict_types=1);

namespace App\Switching\Practice;

use App\Switching\SwitchTrouble;
use App\Switching\Table\RecordGone;
use App\Switching\Table\StaleRecord;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Sleep;

/** Speaks HTTP and JSON to the practice switch and sorts its answers into good, temporary trouble and final trouble. */
final readonly class SwitchApi
{
    private const TIMEOUT_SECONDS = 5;

    /** A reading is many calls; one that goes wrong for a moment is asked again rather than all of them. */
    private const MOST_READS = 5;

    private const FIRST_WAIT_MS = 100;

    private const LONGEST_WAIT_MS = 2_000;

    public function __construct(private Factory $http, private string $url, private string $token)
    {
    }

    /**
     * @param  array<string, string>  $query
     * @return array<string, mixed>
     */
    public function get(string $path, array $query = []): array
    {
        for ($try = 1; ; $try++) {
            try {
                return $this->look($path, $query);
            } catch (SwitchTrouble $trouble) {
                if (! $trouble->temporary || $try === self::MOST_READS) {
                    throw $trouble;
                }
                Sleep::for(min(self::LONGEST_WAIT_MS, self::FIRST_WAIT_MS * 2 ** ($try - 1)))->milliseconds();
            }
        }
    }

    /**
     * Once, without waiting for better times.
     *
     * @param  array<string, string>  $query
     * @return array<string, mixed>
     */
    public function look(string $path, array $query = []): array
    {
        return $this->answer(fn (): Response => $this->request()->get($path, $query));
    }

    /** @return list<array<string, mixed>> every row, however many pages */
    public function all(string $path): array
    {
        $rows = [];
        $after = null;
        do {
            $page = $this->get($path, $after === null ? [] : ['after' => (string) $after]);
            foreach (is_array($page['rows'] ?? null) ? $page['rows'] : [] as $row) {
                if (is_array($row)) {
                    /** @var array<string, mixed> $row */
                    $rows[] = $row;
                }
            }
            $after = is_int($page['next'] ?? null) ? $page['next'] : null;
        } while ($after !== null);

        return $rows;
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<string, mixed>
     */
    public function post(string $path, array $body, string $key, string $actingFor): array
    {
        return $this->answer(fn (): Response => $this->writing($key, $actingFor)->post($path, $body));
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<string, mixed>
     *
     * @throws StaleRecord
     */
    public function patch(string $path, array $body, string $version, string $key, string $actingFor): array
    {
        return $this->answer(
            fn (): Response => $this->writing($key, $actingFor)->withHeaders(['If-Match' => $version])
            ->patch($path, $body),
        );
    }

    /** @return array<string, mixed> */
    public function delete(string $path, string $key, string $actingFor): array
    {
        return $this->answer(fn (): Response => $this->writing($key, $actingFor)->delete($path));
    }

    private function writing(string $key, string $actingFor): PendingRequest
    {
        return $this->request()->withHeaders(['Idempotency-Key' => $key, 'Acting-For' => $actingFor]);
    }

    private function request(): PendingRequest
    {
        return $this->http->baseUrl($this->url)->withToken($this->token)->acceptJson()->asJson()
            ->timeout(self::TIMEOUT_SECONDS)->connectTimeout(2)->withOptions(['proxy' => '']);
    }

    /**
     * @param  callable(): Response  $send
     * @return array<string, mixed>
     */
    private function answer(callable $send): array
    {
        try {
            $response = $send();
        } catch (ConnectionException) {
            throw SwitchTrouble::unreachable($this->url);
        }
        $body = $response->json();
        $fault = is_array($body) && is_string($body['fault'] ?? null) ? $body['fault'] : 'no reason given';
        $where = is_array($body) && is_string($body['where'] ?? null) ? "{$body['where']}: " : '';
        if ($response->status() === 404) {
            throw new RecordGone($fault);
        }
        if ($response->status() === 412) {
            throw new StaleRecord($fault);
        }
        if ($response->status() === 429) {
            throw SwitchTrouble::busy((int) $response->header('Retry-After'));
        }
        if ($response->serverError()) {
            throw SwitchTrouble::failing($response->status());
        }
        if (! $response->successful() || ! is_array($body)) {
            throw SwitchTrouble::refused($where . $fault);
        }

        /** @var array<string, mixed> $body */
        return $body;
    }
}
