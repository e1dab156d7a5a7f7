<?php

declare(strict_types=1);

namespace Tests\Machines;

use Illuminate\Redis\Connections\Connection;
use Illuminate\Redis\Connectors\PredisConnector;
use Jaunty\Bench\BenchBook;

/**
 * One house on several machines, as far as one can stand for them: two front ends and three workers in two homes that
 * share nothing but Redis, and a database behind PgBouncer in transaction mode.
 */
final class House
{
    public const DATABASE = 'roster_machines';

    private const ROOT = __DIR__ . '/../..';

    private const PATIENCE_SECONDS = 30.0;

    /** Server connections of the pool: fewer than clients, so that they are shared all the time. */
    public const POOL = 6;

    public readonly int $redisPort;

    public readonly int $poolPort;

    private readonly string $folder;

    private readonly string $redisPassword;

    /** @var array<string, array{list<string>, array<string, string>}> by name */
    private array $how = [];

    /** @var array<string, resource> by name */
    private array $running = [];

    /** @var array<string, int> by name */
    private array $ports = [];

    private string $cookies;

    public function __construct()
    {
        $this->folder = self::env('HOME_DIR') . '/machines';
        exec('rm -rf ' . escapeshellarg($this->folder));
        $this->redisPassword = bin2hex(random_bytes(8));
        $this->redisPort = self::freePort();
        $this->poolPort = self::freePort();
        foreach (['one', 'two'] as $home) {
            foreach (['cache', 'storage/app', 'storage/logs', 'storage/framework/views'] as $of) {
                mkdir("{$this->folder}/{$home}/{$of}", 0o755, true);
            }
            file_put_contents("{$this->folder}/{$home}/app.env", $this->settings());
        }
        $this->cookies = "{$this->folder}/cookies";
    }

    public function begin(): void
    {
        self::ran([
            self::ROOT . '/bin/lib/database.sh', (string) realpath(self::ROOT), self::env('INSTANCE'), self::DATABASE,
        ]);
        mkdir("{$this->folder}/redis");
        $this->how['redis'] = [[
            '/usr/bin/redis-server', '--port', (string) $this->redisPort, '--bind', '127.0.0.1', '--dir',
            "{$this->folder}/redis", '--appendonly', 'yes', '--requirepass', $this->redisPassword,
        ], []];
        $this->how['pool'] = [$this->pool(), []];
        $this->ports += ['redis' => $this->redisPort, 'pool' => $this->poolPort];
        $this->start('redis');
        $this->start('pool');
        $this->artisan('roster:migrate');
        $this->artisan('roster:templates');
        foreach (['front-1' => 'one', 'front-2' => 'two'] as $name => $home) {
            $this->ports[$name] = self::freePort();
            $this->how[$name] = [
                ['php', '-d', 'memory_limit=512M', '-S', "127.0.0.1:{$this->ports[$name]}", __DIR__ . '/front.php'],
                ['ROSTER_HOME' => "{$this->folder}/{$home}", 'PHP_CLI_SERVER_WORKERS' => '3'],
            ];
            $this->start($name, $this->ports[$name]);
        }
        foreach (['worker-1' => 'one', 'worker-2' => 'one', 'worker-3' => 'two'] as $name => $home) {
            $this->how[$name] = [
                [
                    'php', self::ROOT . '/artisan', 'queue:work', '--sleep=0.3', '--tries=20', '--backoff=1',
                    '--timeout=12',
                ],
                ['ROSTER_HOME' => "{$this->folder}/{$home}"],
            ];
            $this->start($name);
        }
    }

    /** The first lead, signed in at one front end. */
    public function signIn(string $front): void
    {
        $said = $this->artisan(
            'roster:begin',
            '--reseller=Saltmarsh Voice',
            '--lead=lena@saltmarsh.example',
            '--name=Lena Kestrel',
            '--region=CA-NS',
            '--zone=America/Halifax',
            '--print-link',
            '--no-interaction',
        );
        preg_match('~(?:/password/|token=|/welcome/|#)([A-Za-z0-9_-]{20,})~', $said, $found);
        $token = $found[1] ?? throw new \RuntimeException("no link in: {$said}");
        $this->ask($front, 'GET', '/api/session');
        [$status, $answer] = $this->ask($front, 'PUT', '/api/password-letters', [
            'code' => $token, 'password' => 'ebb and flow 2026',
        ]);
        if ($status >= 300) {
            throw new \RuntimeException("the password was not taken: {$status} " . json_encode($answer));
        }
        $this->comeBack($front);
    }

    /** Signs the lead in. */
    public function comeBack(string $front): void
    {
        $this->ask($front, 'GET', '/api/session');
        [$status, $answer] = $this->ask($front, 'POST', '/api/session', [
            'signIn' => 'lena@saltmarsh.example', 'password' => 'ebb and flow 2026',
        ]);
        if ($status >= 300) {
            throw new \RuntimeException("nobody was let in: {$status} " . json_encode($answer));
        }
    }

    /** @return \Closure(): ?string who is signed in there, in a browser of its own */
    public function inAnotherBrowser(string $front): \Closure
    {
        $here = $this->cookies;
        $this->cookies = "{$this->folder}/other-cookies";
        $this->comeBack($front);
        [$there, $this->cookies] = [$this->cookies, $here];

        return function () use ($front, $there): ?string {
            [$here, $this->cookies] = [$this->cookies, $there];
            [, $session] = $this->ask($front, 'GET', '/api/session');
            $this->cookies = $here;

            return is_array($session) ? $session['technician']['name'] ?? null : null;
        };
    }

    /** @return string its key */
    public function customer(string $key, int $users): string
    {
        $book = BenchBook::of($users);
        $tenant = ['key' => $key, 'name' => ucfirst($key)] + $book['tenant'];
        unset($tenant['mainNumber']);
        $file = "{$this->folder}/{$key}.json";
        file_put_contents($file, json_encode(
            ['tenant' => $tenant, 'numbers' => []] + $book,
            JSON_THROW_ON_ERROR,
        ));
        $this->artisan('roster:import', $file, '--as=lena@saltmarsh.example');

        return $key;
    }

    /** As if the plug were pulled: the process and all it began. */
    public function kill(string $name): void
    {
        $process = $this->running[$name];
        $pid = proc_get_status($process)['pid'];
        posix_kill(-$pid, SIGKILL);
        posix_kill($pid, SIGKILL);
        proc_close($process);
        unset($this->running[$name]);
    }

    /** As a keeper does: what ended by itself, as a worker does that lost the database, is begun again. */
    public function keep(): void
    {
        foreach ($this->running as $name => $process) {
            if (! proc_get_status($process)['running']) {
                proc_close($process);
                $this->start($name);
            }
        }
    }

    public function start(string $name): void
    {
        [$command, $environment] = $this->how[$name];
        $log = "{$this->folder}/{$name}.log";
        $process = proc_open(
            ['setsid', ...$command],
            [['file', '/dev/null', 'r'], ['file', $log, 'a'], ['file', $log, 'a']],
            $pipes,
            self::ROOT,
            $environment + self::environment(),
        );
        $this->running[$name] = is_resource($process)
            ? $process
            : throw new \RuntimeException("{$name} does not start");
        $end = microtime(true) + self::PATIENCE_SECONDS;
        $port = $this->ports[$name] ?? null;
        while ($port !== null && ! self::listens($port)) {
            if (microtime(true) > $end) {
                throw new \RuntimeException("{$name} is not there: " . file_get_contents($log));
            }
            usleep(50_000);
        }
    }

    public function end(): void
    {
        foreach (array_reverse(array_keys($this->running)) as $name) {
            $this->kill($name);
        }
    }

    public function artisan(string ...$arguments): string
    {
        return self::ran(
            ['php', self::ROOT . '/artisan', ...$arguments],
            ['ROSTER_HOME' => "{$this->folder}/one"] + self::environment(),
        );
    }

    /**
     * @param  ?array<string, mixed>  $body
     * @return array{int, mixed} status and answer; status 0 where nobody answered
     */
    public function ask(string $front, string $method, string $path, ?array $body = null): array
    {
        $curl = curl_init("http://127.0.0.1:{$this->ports[$front]}{$path}");
        $token = preg_match('/XSRF-TOKEN\t(\S+)/', (string) @file_get_contents($this->cookies), $found) === 1
            ? urldecode($found[1])
            : '';
        curl_setopt_array($curl, [
            CURLOPT_CUSTOMREQUEST => $method, CURLOPT_RETURNTRANSFER => true, CURLOPT_PROXY => '',
            CURLOPT_COOKIEFILE => $this->cookies, CURLOPT_COOKIEJAR => $this->cookies, CURLOPT_TIMEOUT => 30,
            CURLOPT_HTTPHEADER => [
                'Accept: application/json', 'Content-Type: application/json', "X-XSRF-TOKEN: {$token}",
                "Origin: http://127.0.0.1:{$this->ports[$front]}",
            ],
        ] + ($body === null ? [] : [CURLOPT_POSTFIELDS => json_encode($body, JSON_THROW_ON_ERROR)]));
        $answer = curl_exec($curl);
        $status = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        curl_close($curl);

        return [
            is_string($answer) ? $status : 0,
            is_string($answer) ? json_decode($answer, true) : null,
        ];
    }

    /** A client of the pool, as the application connects. */
    public function client(): \PDO
    {
        return new \PDO(
            "pgsql:host=127.0.0.1;port={$this->poolPort};dbname=" . self::DATABASE . ';sslmode=disable',
            'roster_app',
            self::secret('app'),
            [\PDO::PGSQL_ATTR_DISABLE_PREPARES => true, \PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION],
        );
    }

    /** Past the pool, as the owner. */
    public function owner(): \PDO
    {
        return new \PDO(
            'pgsql:host=127.0.0.1;port=' . self::env('DB_PORT') . ';dbname=' . self::DATABASE . ';sslmode=disable',
            'roster_owner',
            self::secret('owner'),
            [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION],
        );
    }

    /** As the application asks Redis, with names of its own. */
    public function redisConnection(): Connection
    {
        return (new PredisConnector())->connect(
            ['host' => '127.0.0.1', 'port' => $this->redisPort, 'password' => $this->redisPassword],
            ['prefix' => 'tried:'],
        );
    }

    public function redis(string ...$arguments): string
    {
        return trim(self::ran(['/usr/bin/redis-cli', '-p', (string) $this->redisPort, ...$arguments], [
            'REDISCLI_AUTH' => $this->redisPassword,
        ] + self::environment()));
    }

    /** @return list<string> */
    private function pool(): array
    {
        $database = self::DATABASE;
        $port = self::env('DB_PORT');
        $size = self::POOL;
        file_put_contents("{$this->folder}/users.txt", '"roster_app" "' . self::secret('app') . "\"\n");
        file_put_contents("{$this->folder}/pool.ini", <<<INI
            [databases]
            {$database} = host=127.0.0.1 port={$port} dbname={$database}
            [pgbouncer]
            listen_addr = 127.0.0.1
            listen_port = {$this->poolPort}
            unix_socket_dir =
            auth_type = scram-sha-256
            auth_file = {$this->folder}/users.txt
            pool_mode = transaction
            default_pool_size = {$size}
            max_client_conn = 200
            ignore_startup_parameters = extra_float_digits
            INI);
        if (posix_geteuid() === 0) {
            // It refuses to be root.
            chgrp("{$this->folder}/users.txt", 'www-data');

            return [
                'setpriv', '--reuid', 'www-data', '--regid', 'www-data', '--init-groups', '/usr/sbin/pgbouncer',
                "{$this->folder}/pool.ini",
            ];
        }

        return ['/usr/sbin/pgbouncer', "{$this->folder}/pool.ini"];
    }

    /** The settings of the proof's house, with what they share put elsewhere. */
    private function settings(): string
    {
        $own = (string) file_get_contents(self::env('HOME_DIR') . '/app.env');
        $port = self::env('DB_PORT');
        $lines = array_filter(
            explode("\n", $own),
            static fn (string $line): bool => preg_match('/^DB_PORT=/', $line) !== 1,
        );

        return implode("\n", [
            ...$lines, "DB_PORT={$this->poolPort}", 'DB_DATABASE=' . self::DATABASE, 'DB_POOLED=true',
            "DB_DIRECT=127.0.0.1:{$port}",
            "REDIS_URL=redis://:{$this->redisPassword}@127.0.0.1:{$this->redisPort}/0", '',
        ]);
    }

    private static function listens(int $port): bool
    {
        $line = @stream_socket_client("tcp://127.0.0.1:{$port}", timeout: 1);
        if ($line === false) {
            return false;
        }
        fclose($line);

        return true;
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('no port is free');
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);

        return $port;
    }

    private static function secret(string $of): string
    {
        return trim((string) file_get_contents(self::env('HOME_DIR') . "/secrets/{$of}"));
    }

    private static function env(string $name): string
    {
        $value = getenv($name);

        return is_string($value) && $value !== ''
            ? $value
            : throw new \LogicException("{$name} is not set: these tests are run by bin/test");
    }

    /** @return array<string, string> without what a test runner says of itself */
    private static function environment(): array
    {
        return array_filter(
            getenv(),
            static fn (string $name): bool => preg_match('/^(APP_|DB_|ROSTER_HOME|CACHE_|QUEUE_|MAIL_)/', $name) !== 1,
            ARRAY_FILTER_USE_KEY,
        );
    }

    /**
     * @param  list<string>  $command
     * @param  ?array<string, string>  $environment
     */
    private static function ran(array $command, ?array $environment = null): string
    {
        $process = proc_open($command, [1 => ['pipe', 'w'], 2 => ['redirect', 1]], $pipes, self::ROOT, $environment);
        $said = is_resource($process) ? (string) stream_get_contents($pipes[1]) : '';
        $code = is_resource($process) ? proc_close($process) : 127;

        return $code === 0
            ? $said
            : throw new \RuntimeException(implode(' ', $command) . " ended with {$code}: {$said}");
    }
}
