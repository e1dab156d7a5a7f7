<?php

declare(strict_types=1);

/*
 * Keeps the house: starts services in order, waits until each is ready, restarts those that die, and ends them all when
 * told to (Ctrl-C, TERM) or when it is gone itself (each child asks the kernel for a signal then).
 *
 * usage: keeper.php SPEC.json [--then COMMAND...]
 *
 * SPEC: {"home", "mark", "entries": [{"name", "command": [...], "user", "env": {}, "once": bool, "ready": {"http": url} | {"command": [...]}}], "message"}
 * An entry with "once" is a task: it must end well before the next entry starts. With --then, the command runs once all
 * are ready; its exit code is the keeper's, and everything is ended after it.
 */

final class Keeper
{
    private const READY_SECONDS = 60;

    private const END_SECONDS = 10;

    private const CALM_SECONDS = 10;

    /** @var array<string, array{entry: array<string, mixed>, pid: int, since: float, pause: float, due: float}> */
    private array $services = [];

    private bool $ending = false;

    /** @param array<string, mixed> $spec */
    public function __construct(private readonly array $spec)
    {
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
        $code = 0;
        try {
            foreach ($this->spec['entries'] as $entry) {
                if ($this->ending) {
                    return 130;
                }
                ($entry['once'] ?? false) === true ? $this->doOnce($entry) : $this->startService($entry);
            }
            if (isset($this->spec['message'])) {
                echo $this->spec['message'], "\n";
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
            $done = pcntl_waitpid($pid, $status, WNOHANG);
            if ($done === $pid) {
                return pcntl_wifexited($status) ? pcntl_wexitstatus($status) : 1;
            }
            if ($this->ending) {
                posix_kill($pid, SIGTERM);
                pcntl_waitpid($pid, $status);

                return 130;
            }
            $this->look();
            usleep(100_000);
        }
    }

    /** Starts again whatever died; one that keeps dying waits longer each time. */
    private function look(): void
    {
        foreach ($this->services as $name => $service) {
            if ($service['pid'] > 0 && pcntl_waitpid($service['pid'], $status, WNOHANG) === $service['pid']) {
                $calm = microtime(true) - $service['since'] > self::CALM_SECONDS;
                $pause = ($service['entry']['pause'] ?? null) ?? ($calm ? 0.2 : min($service['pause'] * 2, 10));
                $this->services[$name] = ['pid' => 0, 'pause' => $pause, 'due' => microtime(true) + $pause] + $service;
                $this->note("{$name} ended ({$this->how($status)}); starting it again");
            } elseif ($service['pid'] === 0 && microtime(true) >= $service['due']) {
                $this->services[$name] = ['pid' => $this->spawn($service['entry']), 'since' => microtime(true)] + $service;
            }
        }
    }

    /** @param array<string, mixed> $entry */
    private function startService(array $entry): void
    {
        $name = $entry['name'];
        $this->services[$name] = ['entry' => $entry, 'pid' => $this->spawn($entry), 'since' => microtime(true), 'pause' => 0.2, 'due' => 0.0];
        $until = microtime(true) + self::READY_SECONDS;
        $deaths = 0;
        while (! $this->isReady($entry)) {
            if ($this->ending) {
                return;
            }
            if (pcntl_waitpid($this->services[$name]['pid'], $status, WNOHANG) > 0) {
                if (++$deaths > 5) {
                    throw new RuntimeException("{$name} does not stay up ({$this->how($status)}); see {$this->log($name)}");
                }
                usleep(300_000);
                $this->services[$name]['pid'] = $this->spawn($entry);
            }
            if (microtime(true) > $until) {
                throw new RuntimeException("{$name} is not ready after " . self::READY_SECONDS . " s; see {$this->log($name)}");
            }
            usleep(50_000);
        }
    }

    /** @param array<string, mixed> $entry */
    private function doOnce(array $entry): void
    {
        @unlink($this->log($entry['name']));
        $pid = $this->spawn($entry);
        while (pcntl_waitpid($pid, $status, WNOHANG) === 0) {
            if ($this->ending) {
                posix_kill(-$pid, SIGTERM);
            }
            usleep(20_000);
        }
        if (! pcntl_wifexited($status) || pcntl_wexitstatus($status) !== 0) {
            $tail = implode("\n", array_slice(explode("\n", trim((string) @file_get_contents($this->log($entry['name'])))), -15));
            throw new RuntimeException("{$entry['name']} failed ({$this->how($status)}):\n{$tail}\n(whole log: {$this->log($entry['name'])})");
        }
    }

    /** @param array<string, mixed> $entry */
    private function spawn(array $entry): int
    {
        $command = $entry['command'];
        // The kernel tells a child when its keeper is gone, kill -9 included. setpriv asks for it after changing user.
        $prefix = ['setpriv', '--pdeathsig', $entry['signal'] ?? 'TERM'];
        if (posix_getuid() === 0 && ($entry['user'] ?? 'root') !== 'root') {
            array_push($prefix, '--reuid', $entry['user'], '--regid', $entry['user'], '--init-groups');
        }
        $pid = pcntl_fork();
        if ($pid === -1) {
            throw new RuntimeException("cannot start {$entry['name']}");
        }
        if ($pid > 0) {
            return $pid;
        }
        posix_setsid();
        pcntl_signal(SIGINT, SIG_DFL);
        pcntl_signal(SIGTERM, SIG_DFL);
        pcntl_signal(SIGHUP, SIG_DFL);
        $env = ['JAUNTY_KEEPER' => $this->spec['mark']] + ($entry['env'] ?? []) + array_filter(getenv(), is_string(...));
        $env['HOME'] = '/tmp';
        chdir($entry['cwd'] ?? '/');
        fclose(STDIN);
        fclose(STDOUT);
        fclose(STDERR);
        // Descriptors 0, 1 and 2 are free again, so these opens take them in order.
        $in = fopen('/dev/null', 'rb');
        $out = fopen($this->log($entry['name']), 'ab');
        $err = fopen($this->log($entry['name']), 'ab');
        // Descriptor 9 is the starter's lock: a child that outlives a killed keeper must not hold it.
        pcntl_exec('/bin/sh', ['-c', 'exec 9>&-; exec "$@"', 'sh', ...$prefix, '--', ...$command], $env);
        exit(127);
    }

    /** @param array<string, mixed> $entry */
    private function isReady(array $entry): bool
    {
        $ready = $entry['ready'] ?? [];
        if (isset($ready['command'])) {
            exec(implode(' ', array_map(escapeshellarg(...), $ready['command'])) . ' >/dev/null 2>&1', $output, $code);

            return $code === 0;
        }
        if (isset($ready['http'])) {
            $curl = curl_init($ready['http']);
            curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT_MS => 3000, CURLOPT_PROXY => '']);
            curl_exec($curl);

            return curl_getinfo($curl, CURLINFO_RESPONSE_CODE) === 200;
        }

        return true;
    }

    /** Ends services in reverse order, so that what depends on the database goes before it. */
    private function endAll(): void
    {
        foreach (array_reverse($this->services) as $name => $service) {
            if ($service['pid'] === 0) {
                continue;
            }
            posix_kill($service['pid'], ($service['entry']['signal'] ?? 'TERM') === 'INT' ? SIGINT : SIGTERM);
            $until = microtime(true) + self::END_SECONDS;
            while (pcntl_waitpid($service['pid'], $status, WNOHANG) === 0) {
                if (microtime(true) > $until) {
                    $this->note("{$name} does not end; killing it");
                    posix_kill(-$service['pid'], SIGKILL);
                    pcntl_waitpid($service['pid'], $status);

                    break;
                }
                usleep(20_000);
            }
            // Children of its own session that outlived it, such as those of a worker.
            posix_kill(-$service['pid'], SIGKILL);
        }
        $this->services = [];
    }

    private function how(int $status): string
    {
        return pcntl_wifsignaled($status) ? 'signal ' . pcntl_wtermsig($status) : 'exit ' . pcntl_wexitstatus($status);
    }

    private function log(string $name): string
    {
        return "{$this->spec['home']}/logs/{$name}.log";
    }

    private function note(string $text): void
    {
        file_put_contents($this->log('keeper'), date('c') . " {$text}\n", FILE_APPEND);
    }
}

$spec = json_decode((string) file_get_contents($argv[1]), true, flags: JSON_THROW_ON_ERROR);
$pidFile = "{$spec['home']}/run/keeper.pid";
file_put_contents("{$pidFile}.new", (string) getmypid());
rename("{$pidFile}.new", $pidFile);
$at = array_search('--then', $argv, true);
$code = (new Keeper($spec))->keep($at === false ? [] : array_slice($argv, $at + 1));
@unlink($pidFile);
exit($code);
