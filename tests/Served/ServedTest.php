<?php

declare(strict_types=1);

namespace Tests\Served;

use PHPUnit\Framework\TestCase;

/** The house as it is served, over HTTP: what only nginx, php-fpm and cookies show. */
final class ServedTest extends TestCase
{
    private string $jar;

    protected function setUp(): void
    {
        $this->jar = (string) tempnam(sys_get_temp_dir(), 'jar');
    }

    protected function tearDown(): void
    {
        unlink($this->jar);
    }

    public function test_the_page_may_run_our_own_scripts_and_nothing_else(): void
    {
        $page = $this->ask('GET', '/');

        self::assertSame(200, $page['status']);
        $policy = $page['headers']['content-security-policy'];
        foreach (
            [
                "default-src 'none'", "script-src 'self'", "style-src 'self'", "frame-ancestors 'none'",
                "base-uri 'none'",
            ] as $part
        ) {
            self::assertStringContainsString($part, $policy);
        }
        self::assertStringNotContainsString('unsafe', $policy);
        self::assertDoesNotMatchRegularExpression('/<script(?![^>]*\ssrc=)|\sstyle=|\son[a-z]+=/i', $page['body']);
        self::assertSame('nosniff', $page['headers']['x-content-type-options']);
        self::assertSame('DENY', $page['headers']['x-frame-options']);
        self::assertArrayNotHasKey('x-powered-by', $page['headers']);
        self::assertDoesNotMatchRegularExpression('/\d/', $page['headers']['server'] ?? '');
    }

    public function test_everything_the_page_loads_is_ours(): void
    {
        preg_match_all('/(?:src|href)="([^"]+)"/', $this->ask('GET', '/')['body'], $found);

        self::assertNotEmpty($found[1]);
        foreach ($found[1] as $address) {
            $path = str_starts_with($address, 'http') ? substr($address, strlen($this->address())) : $address;
            self::assertStringStartsWith('/', $path, "{$address} is somebody else's");
            self::assertSame(200, $this->ask('GET', $path)['status'], $address);
        }
    }

    public function test_the_sessions_cookie_is_out_of_reach_of_scripts_and_other_sites(): void
    {
        $cookies = $this->ask('GET', '/api/session')['cookies'];
        $session = implode('', preg_grep('/^jaunty_roster=/', $cookies) ?: []);

        foreach (['secure', 'httponly', 'samesite=strict'] as $attribute) {
            self::assertStringContainsString($attribute, strtolower($session));
        }
    }

    public function test_a_write_without_the_pages_token_is_refused(): void
    {
        $this->ask('GET', '/');
        $signIn = ['signIn' => 'lena@saltmarsh.example', 'password' => 'tide-table-2026'];

        $refused = $this->ask('POST', '/api/session', $signIn);
        self::assertSame(419, $refused['status']);
        self::assertSame('application/problem+json', $refused['headers']['content-type']);

        self::assertSame(200, $this->ask('POST', '/api/session', $signIn, $this->token())['status']);
        self::assertSame(419, $this->ask('DELETE', '/api/session')['status']);
    }

    public function test_signing_in_gives_the_session_another_name(): void
    {
        $this->ask('GET', '/');
        $before = $this->cookie('jaunty_roster');
        $this->ask(
            'POST',
            '/api/session',
            ['signIn' => 'lena@saltmarsh.example', 'password' => 'tide-table-2026'],
            $this->token(),
        );
        self::assertSame('Lena Kestrel', $this->ask('GET', '/api/session')['json']['technician']['name']);

        file_put_contents(
            $this->jar,
            str_replace($this->cookie('jaunty_roster'), $before, (string) file_get_contents($this->jar)),
        );

        self::assertNull($this->ask('GET', '/api/session')['json']['technician']);
    }

    public function test_only_the_hosts_that_are_named_are_served(): void
    {
        foreach (['127.0.0.1.evil.example', 'evil-localhost', 'roster.example'] as $host) {
            self::assertSame(400, $this->ask('GET', '/sign-in', headers: ["Host: {$host}"])['status'], $host);
        }
        self::assertSame(200, $this->ask('GET', '/sign-in', headers: ['Host: localhost'])['status']);
    }

    public function test_what_is_no_screen_is_told_in_plain_words(): void
    {
        $none = $this->ask('DELETE', '/sign-in');

        self::assertSame([405, 'text/plain; charset=utf-8'], [$none['status'], strtolower(
            $none['headers']['content-type'],
        )]);
    }

    public function test_a_body_beyond_measure_is_refused(): void
    {
        $this->ask('GET', '/');

        $refused = $this->ask('POST', '/api/session', ['signIn' => str_repeat('x', 3_000_000)], $this->token());

        self::assertSame(413, $refused['status']);
    }

    public function test_another_host_name_is_refused(): void
    {
        self::assertSame(400, $this->ask('GET', '/api/session', headers: ['Host: evil.example'])['status']);
    }

    public function test_files_beside_the_public_ones_are_not_served(): void
    {
        foreach (
            [
                '/.env', '/app.env', '/../composer.json', '/composer.json', '/index.php/../../artisan',
                '/storage/logs/laravel.log', '/.git/config',
            ] as $path
        ) {
            $answer = $this->ask('GET', $path);
            self::assertStringNotContainsString('APP_KEY', $answer['body'], $path);
            self::assertStringNotContainsString('"require"', $answer['body'], $path);
            self::assertStringNotContainsString('[core]', $answer['body'], $path);
        }
    }

    public function test_built_files_are_kept_by_the_browser_and_answers_are_not(): void
    {
        preg_match('#/build/assets/[^"]+\.js#', $this->ask('GET', '/')['body'], $script);

        self::assertStringContainsString('immutable', $this->ask('GET', $script[0])['headers']['cache-control']);
        self::assertStringContainsString('no-store', $this->ask('GET', '/api/session')['headers']['cache-control']);
    }

    /** @return list<string> */
    private function token(): array
    {
        return ['X-XSRF-TOKEN: ' . rawurldecode($this->cookie('XSRF-TOKEN'))];
    }

    private function cookie(string $name): string
    {
        preg_match("/\\t{$name}\\t(.+)$/m", (string) file_get_contents($this->jar), $found);

        return $found[1] ?? '';
    }

    private function address(): string
    {
        return (string) getenv('ADDRESS');
    }

    /**
     * @param  ?array<string, string>  $body
     * @param  list<string>  $headers
     * @return array{status: int, headers: array<string, string>, cookies: list<string>, body: string, json: mixed}
     */
    private function ask(string $method, string $path, ?array $body = null, array $headers = []): array
    {
        // Browsers take loopback for a safe place and send secure cookies there; curl has to be told.
        file_put_contents($this->jar, preg_replace(
            '/^((?:#HttpOnly_)?[^\t]+\t[^\t]+\t[^\t]+)\tTRUE/m',
            "$1\tFALSE",
            (string) file_get_contents($this->jar),
        ));
        $curl = curl_init($this->address() . $path);
        $seen = [];
        $cookies = [];
        curl_setopt_array($curl, [
            CURLOPT_CUSTOMREQUEST => $method,
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_PROXY => '',
            CURLOPT_PATH_AS_IS => true,
            CURLOPT_COOKIEFILE => $this->jar,
            CURLOPT_COOKIEJAR => $this->jar,
            CURLOPT_HTTPHEADER => [
                ...$headers, 'Accept: application/json', 'Content-Type: application/json', 'Expect:',
            ],
            CURLOPT_HEADERFUNCTION => static function ($curl, string $line) use (&$seen, &$cookies): int {
                [$name, $value] = explode(':', $line, 2) + [1 => ''];
                if (strtolower($name) === 'set-cookie') {
                    $cookies[] = trim($value);
                } elseif ($value !== '') {
                    $seen[strtolower($name)] = trim($value);
                }

                return strlen($line);
            },
        ]);
        if ($body !== null) {
            curl_setopt($curl, CURLOPT_POSTFIELDS, json_encode($body, JSON_THROW_ON_ERROR));
        }
        $text = curl_exec($curl);
        self::assertIsString($text, curl_error($curl));
        $status = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        unset($curl);

        return [
            'status' => $status, 'headers' => $seen, 'cookies' => $cookies, 'body' => $text,
            'json' => json_decode($text, true),
        ];
    }
}
