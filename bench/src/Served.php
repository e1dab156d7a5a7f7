<?php

declare(strict_types=1);

namespace Jaunty\Bench;

/** What the served house answers in: medians of twenty, warm, over HTTP as a browser asks. */
final class Served
{
    private const TIMES = 20;

    public const SIGN_IN = ['signIn' => 'lena@saltmarsh.example', 'password' => 'tide-table-2026'];

    /** @var non-empty-string */
    private string $cookies;

    /** @param array{signIn: string, password: string} $as */
    public function __construct(private readonly string $address, array $as = self::SIGN_IN)
    {
        $file = tempnam(sys_get_temp_dir(), 'bench');
        $this->cookies = $file === false ? throw new \RuntimeException('there is no room for a cookie') : $file;
        $this->ask('GET', '/api/session');
        $this->ask('POST', '/api/session', $as);
    }

    /**
     * @param  non-empty-string  $method
     * @param  ?array<string, mixed>  $body
     */
    public function median(string $method, string $path, ?array $body = null): float
    {
        $taken = [];
        for ($i = -2; $i < self::TIMES; $i++) {
            $began = hrtime(true);
            $this->ask($method, $path, $body);
            if ($i >= 0) {
                $taken[] = (hrtime(true) - $began) / 1e6;
            }
        }
        sort($taken);

        return $taken[intdiv(self::TIMES, 2)];
    }

    /**
     * @param  non-empty-string  $method
     * @param  ?array<string, mixed>  $body
     */
    public function ask(string $method, string $path, ?array $body = null): string
    {
        $curl = $this->prepare($method, $path, $body);
        // What is set in the answer counts for the next one.
        curl_setopt($curl, CURLOPT_COOKIEJAR, $this->cookies);
        $answer = curl_exec($curl);
        $status = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        curl_close($curl);
        if (! is_string($answer) || $status >= 400) {
            throw new \RuntimeException("{$method} {$path}: {$status}");
        }

        return $answer;
    }

    /**
     * @param  non-empty-string  $method
     * @param  ?array<string, mixed>  $body
     */
    public function prepare(string $method, string $path, ?array $body = null): \CurlHandle
    {
        $curl = curl_init($this->address . $path);
        curl_setopt_array($curl, [
            CURLOPT_CUSTOMREQUEST => $method, CURLOPT_RETURNTRANSFER => true, CURLOPT_PROXY => '',
            CURLOPT_COOKIEFILE => $this->cookies,
            CURLOPT_HTTPHEADER => [
                'Accept: application/json', 'Content-Type: application/json', "Origin: {$this->address}",
                'X-XSRF-TOKEN: ' . $this->token(),
            ],
        ] + ($body === null ? [] : [CURLOPT_POSTFIELDS => json_encode($body, JSON_THROW_ON_ERROR)]));

        return $curl;
    }

    private function token(): string
    {
        return preg_match('/XSRF-TOKEN\t(\S+)/', (string) @file_get_contents($this->cookies), $found) === 1
            ? urldecode($found[1])
            : '';
    }
}
