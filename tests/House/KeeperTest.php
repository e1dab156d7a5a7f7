<?php

declare(strict_types=1);

namespace Tests\House;

use PHPUnit\Framework\TestCase;

/**
 * The keeper as a process: it starts in order, restarts what dies, and leaves nothing behind whatever happens to it.
 */
final class KeeperTest extends TestCase
{
    private string $home;

    private string $mark;

    /** @var resource|null */
    private $keeper = null;

    protected function setUp(): void
    {
        $this->home = sys_get_temp_dir() . '/keeper-' . bin2hex(random_bytes(5));
        mkdir("{$this->home}/logs", recursive: true);
        mkdir("{$this->home}/run");
        $this->mark = 'test-' . bin2hex(random_bytes(5));
    }

    protected function tearDown(): void
    {
        $this->processes('end');
        exec('rm -rf ' . escapeshellarg($this->home));
    }

    public function test_it_starts_in_order_and_ends_everything_when_told(): void
    {
        $this->start([
            $this->task('first', 'echo first >> $0/order', $this->home),
            ['ready' => ['command' => ['grep', '-q', 'one', "{$this->home}/order"]]]
            + $this->service('one', 'echo one >> $0/order; exec sleep 300', $this->home),
            $this->task('last', 'echo last >> $0/order', $this->home),
        ], message: 'all is ready');
        $this->waitUntil(
            fn (): bool => str_contains((string) @file_get_contents("{$this->home}/said"), 'all is ready'),
            'not started',
        );
        self::assertSame(['first', 'one', 'last'], $this->lines('order'));
        self::assertCount(2, $this->marked());

        $this->processes('end');

        self::assertSame([], $this->marked());
        self::assertFileDoesNotExist("{$this->home}/run/keeper.pid");
    }

    public function test_what_dies_is_started_again(): void
    {
        $this->start([$this->service('mortal', 'echo $$ >> $0/pids; exec sleep 300', $this->home)]);
        $this->waitUntil(fn (): bool => count($this->lines('pids')) === 1, 'it did not start');

        posix_kill((int) $this->lines('pids')[0], SIGKILL);

        $this->waitUntil(fn (): bool => count($this->lines('pids')) === 2, 'it was not started again');
        self::assertStringContainsString('mortal ended (signal 9); starting it again', (string) file_get_contents(
            "{$this->home}/logs/keeper.log",
        ));
    }

    public function test_the_workers_of_a_master_that_is_killed_go_before_it_is_started_again(): void
    {
        $this->start(
            [$this->service('mortal', 'echo $$ >> $0/pids; env -i sleep 300 & echo $! >> $0/kids; wait', $this->home)],
        );
        $this->waitUntil(fn (): bool => count($this->lines('kids')) === 1, 'it did not start');

        posix_kill((int) $this->lines('pids')[0], SIGKILL);

        $this->waitUntil(fn (): bool => count($this->lines('kids')) === 2, 'it was not started again');
        self::assertFalse(
            self::lives((int) $this->lines('kids')[0]),
            'a worker of the first holds what the second needs',
        );
    }

    /** As web servers do, which write their state where their environment was. */
    public function test_what_wrote_over_its_environment_is_ended_too(): void
    {
        $this->start(
            [$this->service('mortal', 'echo $$ >> $0/pids; env -i sleep 300 & echo $! >> $0/kids; wait', $this->home)],
        );
        $this->waitUntil(fn (): bool => count($this->lines('kids')) === 1, 'it did not start');
        $kid = (int) $this->lines('kids')[0];
        posix_kill($this->pid(), SIGKILL);
        posix_kill((int) $this->lines('pids')[0], SIGKILL);

        $this->processes('end');

        self::assertFalse(self::lives($kid));
    }

    /** A process that has ended and whom nobody asked how is none. */
    private static function lives(int $pid): bool
    {
        return preg_match('/\) [^ZX] /', (string) @file_get_contents("/proc/{$pid}/stat")) === 1;
    }

    public function test_children_do_not_outlive_a_keeper_that_is_killed(): void
    {
        $this->start(
            [$this->service('orphan', 'exec sleep 300', ''), $this->service('parent', 'sleep 301 & wait', '')],
        );
        $this->waitUntil(fn (): bool => count($this->marked()) >= 3, 'not all started');

        posix_kill($this->pid(), SIGKILL);
        $this->processes('end');

        self::assertSame([], $this->marked());
    }

    public function test_a_task_that_fails_ends_the_start_with_what_it_said(): void
    {
        $this->start([
            $this->service('before', 'exec sleep 300', ''),
            $this->task('broken', 'echo the table is gone; exit 7', ''),
            $this->task('never', 'touch $0/never', $this->home),
        ]);

        [$code, $said] = $this->end();

        self::assertSame(1, $code);
        self::assertStringContainsString('broken failed (exit 7)', $said);
        self::assertStringContainsString('the table is gone', $said);
        self::assertFileDoesNotExist("{$this->home}/never");
        self::assertSame([], $this->marked());
    }

    public function test_a_service_that_does_not_stay_up_is_named(): void
    {
        $this->start([['ready' => ['command' => ['false']]] + $this->service('fragile', 'exit 3', '')]);

        [$code, $said] = $this->end();

        self::assertSame(1, $code);
        self::assertStringContainsString('fragile does not stay up (exit 3)', $said);
    }

    public function test_the_command_at_the_end_gives_its_code_and_then_all_is_ended(): void
    {
        $this->start([$this->service('beside', 'exec sleep 300', '')], then: ['sh', '-c', 'exit 42']);

        self::assertSame(42, $this->end()[0]);
        self::assertSame([], $this->marked());
    }

    public function test_a_stale_pid_file_is_nobodys_keeper(): void
    {
        // The pid of a process that lives, and is none of ours.
        file_put_contents("{$this->home}/run/keeper.pid", (string) getmypid());

        [$code, $said] = $this->processes('running');

        self::assertSame([1, ''], [$code, $said]);
    }

    public function test_ports_are_kept_while_free_and_changed_when_taken(): void
    {
        $choose = fn (): array => [
            $this->command(['php', self::lib('ports.php'), "{$this->home}/ports", '18410', 'WEB', 'DB'])[1],
            (array) parse_ini_file("{$this->home}/ports"),
        ];
        [, $first] = $choose();
        [$said, $again] = $choose();
        self::assertSame(['', $first], [$said, $again]);
        self::assertCount(2, array_unique($first));

        $taker = stream_socket_server("tcp://127.0.0.1:{$first['WEB_PORT']}");
        self::assertNotFalse($taker);
        [$said, $changed] = $choose();
        fclose($taker);

        self::assertSame($first['DB_PORT'], $changed['DB_PORT']);
        self::assertNotSame($first['WEB_PORT'], $changed['WEB_PORT']);
        self::assertSame(
            "Port {$first['WEB_PORT']} is in use by something else; taking {$changed['WEB_PORT']} instead.",
            trim($said),
        );
    }

    /** @return array<string, mixed> */
    private function service(string $name, string $script, string $argument): array
    {
        return ['name' => $name, 'command' => ['sh', '-c', $script, $argument]];
    }

    /** @return array<string, mixed> */
    private function task(string $name, string $script, string $argument): array
    {
        return ['once' => true] + $this->service($name, $script, $argument);
    }

    /**
     * @param  list<array<string, mixed>>  $entries
     * @param  list<string>  $then
     */
    private function start(array $entries, ?string $message = null, array $then = []): void
    {
        file_put_contents("{$this->home}/spec.json", json_encode(
            ['home' => $this->home, 'mark' => $this->mark, 'entries' => $entries]
                + ($message === null ? [] : ['message' => $message]),
            JSON_THROW_ON_ERROR,
        ));
        $command = [
            'php', self::lib('keeper.php'), "{$this->home}/spec.json", ...($then === [] ? [] : ['--then', ...$then]),
        ];
        $keeper = proc_open(
            $command,
            [['file', '/dev/null', 'r'], ['file', "{$this->home}/said", 'w'], ['file', "{$this->home}/said", 'a']],
            $pipes,
            env_vars: ['JAUNTY_KEEPER' => $this->mark, 'PATH' => (string) getenv('PATH')],
        );
        self::assertNotFalse($keeper);
        $this->keeper = $keeper;
    }

    /** @return array{int, string} */
    private function end(): array
    {
        self::assertNotNull($this->keeper);
        $code = proc_close($this->keeper);

        return [$code, (string) file_get_contents("{$this->home}/said")];
    }

    private function pid(): int
    {
        self::assertNotNull($this->keeper);

        return proc_get_status($this->keeper)['pid'];
    }

    /** @return list<int> processes with this test's mark */
    private function marked(): array
    {
        $pids = [];
        foreach ((array) glob('/proc/[0-9]*') as $folder) {
            $environment = @file_get_contents("{$folder}/environ");
            $state = (string) @file_get_contents("{$folder}/stat");
            if (
                $environment !== false
                && str_contains($environment, "JAUNTY_KEEPER={$this->mark}")
                && ! str_contains($state, ') Z ')
            ) {
                $pids[] = (int) basename((string) $folder);
            }
        }

        return $pids;
    }

    /** @return array{int, string} */
    private function processes(string $verb): array
    {
        return $this->command(['php', self::lib('processes.php'), $verb, $this->home, $this->mark]);
    }

    /**
     * @param  list<string>  $command
     * @return array{int, string}
     */
    private function command(array $command): array
    {
        exec(implode(' ', array_map(escapeshellarg(...), $command)) . ' 2>&1', $output, $code);

        return [$code, implode("\n", $output)];
    }

    /** @return list<string> */
    private function lines(string $file): array
    {
        $lines = @file("{$this->home}/{$file}", FILE_IGNORE_NEW_LINES);

        return $lines === false ? [] : $lines;
    }

    /** @param callable(): bool $isSo */
    private function waitUntil(callable $isSo, string $complaint): void
    {
        $end = microtime(true) + 10;
        while (! $isSo()) {
            if (microtime(true) > $end) {
                self::fail("{$complaint}: " . @file_get_contents("{$this->home}/said"));
            }
            usleep(20_000);
        }
    }

    private static function lib(string $file): string
    {
        return dirname(__DIR__, 2) . "/bin/lib/{$file}";
    }
}
