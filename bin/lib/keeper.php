<?php

declare(strict_types=1);

/*
 * Keeps the house: starts services in order, waits until each is ready, restarts those that die, and ends them all when
 * told to (Ctrl-C, TERM) or when it is gone itself (each child asks the kernel for a signal then).
 *
 * usage: keeper.php SPEC.json [--then COMMAND...]
 *
 * SPEC: {"home", "mark", "entries": [{"name", "command": [...], "user", "env": {}, "once": bool, "ready": {"http": url}
 * | {"command": [...]}}], "message"} An entry with "once" is a task: it must end well before the next entry starts;
 * with "tells" its lines are told as they come.
 * With --then, the command runs once all are ready; its exit code is the keeper's, and everything is ended after it.
 */

/** One thing to keep or to do once, as the specification says it. */
final readonly class Entry
{
    /**
     * @param  non-empty-list<string>  $command
     * @param  array<string, string>  $env
     * @param  ?list<string>  $readyCommand
     */
    private function __construct(
        public string $name,
        public array $command,
        public string $user,
        public array $env,
        public bool $once,
        public bool $tells,
        public string $signal,
        public string $cwd,
        public ?float $pause,
        public ?string $readyHttp,
        public ?array $readyCommand,
    ) {
    }

    /** @param array<mixed> $from */
    public static function of(array $from): self
    {
        $ready = is_array($from['ready'] ?? null) ? $from['ready'] : [];
        $name = self::text($from['name'] ?? null) ?? throw new RuntimeException('an entry without a name');
        $command = self::texts($from['command'] ?? null);

        return new self(
            name: $name,
            command: $command === [] ? throw new RuntimeException("{$name} has no command") : $command,
            user: self::text($from['user'] ?? null) ?? 'root',
            env: array_filter(
                is_array($from['env'] ?? null) ? $from['env'] : [],
                static fn (mixed $value, mixed $key): bool => is_string($value) && is_string($key),
                ARRAY_FILTER_USE_BOTH,
            ),
            once: ($from['once'] ?? false) === true,
            tells: ($from['tells'] ?? false) === true,
            signal: self::text($from['signal'] ?? null) ?? 'TERM',
            cwd: self::text($from['cwd'] ?? null) ?? '/',
            pause: is_float($from['pause'] ?? null) ? $from['pause'] : null,
            readyHttp: self::text($ready['http'] ?? null),
            readyCommand: isset($ready['command']) ? self::texts($ready['command']) : null,
        );
    }

    private static function text(mixed $value): ?string
    {
        return is_string($value) ? $value : null;
    }

    /** @return list<string> */
    private static function texts(mixed $value): array
    {
        return array_values(array_filter(is_array($value) ? $value : [], is_string(...)));
    }
}

/** A service and its process; none where it waits to be started again. */
final class Service
{
    public float $pause = 0.2;

    public float $due = 0.0;

    public function __construct(public readonly Entry $entry, public int $pid, public float $since)
    {
    }
}

final class Keeper
{
    private const READY_SECONDS = 60;

    private const END_SECONDS = 10;

    private const CALM_SECONDS = 10;

    /** @var list<Service> in the order they were started */
    private array $services = [];

    private bool $ending = false;

    /** @param list<Entry> $entries */
    public function __construct(
        private readonly string $home,
        private readonly string $mark,
        private readonly array $entries,
        private readonly ?string $message,
    ) {
        pcntl_async_signals(true);
        foreach ([SIGINT, SIGTERM, SIGHUP] as $signal) {
            pcntl_signal($signal, function (): void {
                $this->ending = true;
            });
        }
    }

    /** @param list<string> $then */
    public function keep(array $then): int
    {
        try {
            foreach ($this->entries as $entry) {
                if ($this->ending) {
                    return 130;
                }
                $entry->once ? $this->doOnce($entry) : $this->startService($entry);
            }
            if ($this->message !== null) {
                echo $this->message, "\n";
            }
            $code = $then === [] ? $this->watch() : $this->runThen($then);
        } catch (RuntimeException $fault) {
            fwrite(STDERR, $this->ending ? '' : "roster: {$fault->getMessage()}\n");
            $code = $this->ending ? 130 : 1;
        } finally {
            $this->endAll();
        }

        return $code;
    }

    private function watch(): int
    {
        while (! $this->ending) {
            $this->look();
            usleep(200_000);
        }

        return 0;
    }

    /** @param list<string> $command */
    private function runThen(array $command): int
    {
        $pid = pcntl_fork();
        if ($pid === 0) {
            pcntl_exec('/usr/bin/env', $command);
            exit(127);
        }
        while (true) {
            $status = $this->endedAs($pid);
            if ($status !== null) {
                return $this->exitCode($status) ?? 1;
            }
            if ($this->ending) {
                posix_kill($pid, SIGTERM);
                pcntl_waitpid($pid, $ignored);

                return 130;
            }
            $this->look();
            usleep(100_000);
        }
    }

    /** Starts again whatever died; one that keeps dying waits longer each time. */
    private function look(): void
    {
        foreach ($this->services as $service) {
            $status = $service->pid > 0 ? $this->endedAs($service->pid) : null;
            if ($status !== null) {
                // A master that was killed leaves its workers, and they hold its port.
                posix_kill(-$service->pid, SIGKILL);
                $calm = microtime(true) - $service->since > self::CALM_SECONDS;
                $service->pause = $service->entry->pause ?? ($calm ? 0.2 : min($service->pause * 2, 10.0));
                $service->pid = 0;
                $service->due = microtime(true) + $service->pause;
                $this->note("{$service->entry->name} ended ({$this->how($status)}); starting it again");
            } elseif ($service->pid === 0 && microtime(true) >= $service->due) {
                $service->pid = $this->spawn($service->entry);
                $service->since = microtime(true);
            }
        }
    }

    private function startService(Entry $entry): void
    {
        $service = new Service($entry, $this->spawn($entry), microtime(true));
        $this->services[] = $service;
        $until = microtime(true) + self::READY_SECONDS;
        $deaths = 0;
        while (! $this->isReady($entry)) {
            if ($this->ending) {
                return;
            }
            $status = $this->endedAs($service->pid);
            if ($status !== null) {
                if (++$deaths > 5) {
                    throw new RuntimeException(
                        "{$entry->name} does not stay up ({$this->how($status)}); see {$this->log($entry->name)}",
                    );
                }
                posix_kill(-$service->pid, SIGKILL);
                usleep(300_000);
                $service->pid = $this->spawn($entry);
            }
            if (microtime(true) > $until) {
                throw new RuntimeException(
                    "{$entry->name} is not ready after " . self::READY_SECONDS . " s; see {$this->log($entry->name)}",
                );
            }
            usleep(50_000);
        }
    }

    private function doOnce(Entry $entry): void
    {
        @unlink($this->log($entry->name));
        $pid = $this->spawn($entry);
        $status = $this->waitFor($pid, $entry->tells ? $this->log($entry->name) : null);
        if ($this->exitCode($status) !== 0) {
            $tail = implode(
                "\n",
                array_slice(explode("\n", trim((string) @file_get_contents($this->log($entry->name)))), -15),
            );
            throw new RuntimeException(
                "{$entry->name} failed ({$this->how($status)}):\n{$tail}\n(whole log: {$this->log($entry->name)})",
            );
        }
    }

    private function spawn(Entry $entry): int
    {
        // The kernel tells a child when its keeper is gone, kill -9 included. setpriv asks for it after changing user.
        $prefix = ['setpriv', '--pdeathsig', $entry->signal];
        if (posix_getuid() === 0 && $entry->user !== 'root') {
            array_push($prefix, '--reuid', $entry->user, '--regid', $entry->user, '--init-groups');
        }
        $pid = pcntl_fork();
        if ($pid === -1) {
            throw new RuntimeException("cannot start {$entry->name}");
        }
        if ($pid > 0) {
            // Programs may write over their environment, which is what they are found by: their session is noted as
            // well.
            file_put_contents("{$this->home}/run/sessions", "{$pid} " . self::begunAt($pid) . "\n", FILE_APPEND);

            return $pid;
        }
        posix_setsid();
        pcntl_signal(SIGINT, SIG_DFL);
        pcntl_signal(SIGTERM, SIG_DFL);
        pcntl_signal(SIGHUP, SIG_DFL);
        $env = ['JAUNTY_KEEPER' => $this->mark] + $entry->env + array_filter(getenv(), is_string(...));
        $env['HOME'] = '/tmp';
        chdir($entry->cwd);
        fclose(STDIN);
        fclose(STDOUT);
        fclose(STDERR);
        // Descriptors 0, 1 and 2 are free again, so these opens take them in order; held, or PHP would close them.
        $descriptors = [fopen('/dev/null', 'rb'), fopen($this->log($entry->name), 'ab'), fopen(
            $this->log($entry->name),
            'ab',
        )];
        if (in_array(false, $descriptors, true)) {
            exit(126);
        }
        // Descriptor 9 is the starter's lock: a child that outlives a killed keeper must not hold it.
        pcntl_exec('/bin/sh', ['-c', 'exec 9>&-; exec "$@"', 'sh', ...$prefix, '--', ...$entry->command], $env);
        exit(127);
    }

    /** When a process began, in ticks since the machine did: what tells it from another that has its number later. */
    private static function begunAt(int $pid): string
    {
        $stat = (string) @file_get_contents("/proc/{$pid}/stat");

        // The name, in brackets, may hold anything; what follows it does not. The 22nd field is the 20th after it.
        return explode(' ', substr($stat, (int) strrpos($stat, ')') + 2))[19] ?? '';
    }

    private function isReady(Entry $entry): bool
    {
        if ($entry->readyCommand !== null) {
            exec(
                implode(' ', array_map(escapeshellarg(...), $entry->readyCommand)) . ' >/dev/null 2>&1',
                $output,
                $code,
            );

            return $code === 0;
        }
        if ($entry->readyHttp !== null) {
            $curl = curl_init($entry->readyHttp);
            curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT_MS => 3000, CURLOPT_PROXY => '']);
            curl_exec($curl);

            return curl_getinfo($curl, CURLINFO_RESPONSE_CODE) === 200;
        }

        return true;
    }

    /** Ends services in reverse order, so that what depends on the database goes before it. */
    private function endAll(): void
    {
        foreach (array_reverse($this->services) as $service) {
            if ($service->pid === 0) {
                continue;
            }
            posix_kill($service->pid, $service->entry->signal === 'INT' ? SIGINT : SIGTERM);
            $until = microtime(true) + self::END_SECONDS;
            while ($this->endedAs($service->pid) === null) {
                if (microtime(true) > $until) {
                    $this->note("{$service->entry->name} does not end; killing it");
                    posix_kill(-$service->pid, SIGKILL);
                    pcntl_waitpid($service->pid, $ignored);

                    break;
                }
                usleep(20_000);
            }
            // Children of its own session that outlived it, such as those of a worker.
            posix_kill(-$service->pid, SIGKILL);
        }
        $this->services = [];
    }

    /**
     * Waits until a task is over, told to end early or not.
     *
     * @param  ?string  $log  whose lines are told as they come
     */
    private function waitFor(int $pid, ?string $log = null): int
    {
        $told = 0;
        while (true) {
            $status = $this->endedAs($pid);
            $more = $log === null ? '' : (string) @file_get_contents($log, offset: $told);
            $told += strlen($more);
            fwrite(STDOUT, $more);
            if ($status !== null) {
                return $status;
            }
            if ($this->ending) {
                posix_kill(-$pid, SIGTERM);
            }
            usleep(20_000);
        }
    }

    /** @return ?int the wait status; null while it still runs */
    private function endedAs(int $pid): ?int
    {
        $status = 0;

        return pcntl_waitpid($pid, $status, WNOHANG) === 0 ? null : (is_int($status) ? $status : 0);
    }

    /** @return ?int null where a signal ended it */
    private function exitCode(int $status): ?int
    {
        $code = pcntl_wifexited($status) ? pcntl_wexitstatus($status) : false;

        return $code === false ? null : $code;
    }

    private function how(int $status): string
    {
        $code = $this->exitCode($status);

        return $code === null ? 'signal ' . pcntl_wtermsig($status) : "exit {$code}";
    }

    private function log(string $name): string
    {
        return "{$this->home}/logs/{$name}.log";
    }

    private function note(string $text): void
    {
        file_put_contents($this->log('keeper'), date('c') . " {$text}\n", FILE_APPEND);
    }
}

/** @var list<string> $argv */
$spec = json_decode((string) file_get_contents($argv[1] ?? ''), true, flags: JSON_THROW_ON_ERROR);
if (! is_array($spec) || ! is_string($spec['home'] ?? null) || ! is_string($spec['mark'] ?? null) || ! is_array(
    $spec['entries'] ?? null,
)) {
    throw new RuntimeException('the specification names no home, mark and entries');
}
$entries = array_map(Entry::of(...), array_values(array_filter($spec['entries'], is_array(...))));
@unlink("{$spec['home']}/run/sessions");
$pidFile = "{$spec['home']}/run/keeper.pid";
file_put_contents("{$pidFile}.new", (string) getmypid());
rename("{$pidFile}.new", $pidFile);
$at = array_search('--then', $argv, true);
$keeper = new Keeper(
    $spec['home'],
    $spec['mark'],
    $entries,
    is_string($spec['message'] ?? null) ? $spec['message'] : null,
);
$code = $keeper->keep($at === false ? [] : array_slice($argv, $at + 1));
@unlink($pidFile);
exit($code);
