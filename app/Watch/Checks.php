<?php

declare(strict_types=1);

namespace App\Watch;

use App\Access\Scope;
use App\House\House;
use App\Models\AuditedCustomer;
use App\Models\AuditRun;
use App\Settings\Reached;
use App\Stock\CarrierTrouble;
use App\Switching\Switches;
use App\Switching\SwitchTrouble;
use App\Time\Clock;
use Illuminate\Contracts\Queue\Factory as Queues;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Queue\DatabaseQueue;
use Illuminate\Queue\RedisQueue;

/** Looks at what the house leans on: one thing at a time, and none of them can stop the others. */
final readonly class Checks
{
    /** Seconds that a job may wait before somebody should ask why. */
    private const WAITS = 60;

    private const WAITS_LONG = 600;

    /** Seconds that the clocks of web and database may differ: leases and one-time codes depend on them. */
    private const CLOCKS = 2;

    private const LEAST_FREE = 0.1;

    private const FAR_TOO_LITTLE = 0.03;

    private const MAIL_SECONDS = 3;

    /** Hours after which a night without an audit is none. */
    private const NIGHT_HOURS = 26;

    public function __construct(
        private ConnectionInterface $db,
        private Queues $queues,
        private Reached $reached,
        private House $house,
        private Scope $scope,
        private Clock $clock,
    ) {
    }

    /** @return list<Check> */
    public function all(): array
    {
        $checks = [
            $this->look('database', $this->database(...)), $this->look('queue', $this->queue(...)),
            $this->look('disk', $this->disk(...)), $this->look('mail', $this->mail(...)),
            $this->look('last night', $this->lastNight(...)), $this->look('carrier', $this->carrier(...)),
        ];
        foreach ($this->reached->switchesKnown() as $name => $settings) {
            $checks[] = $this->look(
                'switch ' . Switches::title($name),
                fn (string $of): Check => $this->switch($of, is_string($settings['kind'] ?? null)
                    ? $settings['kind']
                    : '', $settings),
            );
        }

        return $checks;
    }

    /** @param callable(string): Check $how */
    private function look(string $name, callable $how): Check
    {
        try {
            return $how($name);
        } catch (\Throwable $fault) {
            return new Check($name, Health::Unknown, 'could not be looked at: ' . $fault::class);
        }
    }

    private function database(string $name): Check
    {
        $began = microtime(true);
        $row = $this->db->selectOne('select extract(epoch from clock_timestamp())::float8 as now');
        $took = microtime(true) - $began;
        $there = is_object($row) && is_numeric($row->now ?? null) ? (float) $row->now : 0.0;
        $differs = abs($there - ($began + $took / 2));
        $figures = ['answer_seconds' => round($took, 4), 'clock_difference_seconds' => round($differs, 3)];

        return $differs > self::CLOCKS
            ? new Check($name, Health::Poor, sprintf('its clock and ours differ by %.1f s', $differs), $figures)
            : new Check($name, Health::Well, sprintf('answers in %.0f ms', $took * 1000), $figures);
    }

    private function queue(string $name): Check
    {
        $queue = $this->queues->connection();
        $waiting = $queue->size();
        $failed = $this->db->table('failed_jobs')->count();
        $figures = ['waiting' => $waiting, 'failed' => $failed];
        $told = "{$waiting} waiting" . ($failed === 0 ? '' : ", {$failed} failed for good");
        $oldest = $queue instanceof DatabaseQueue || $queue instanceof RedisQueue
            ? $queue->creationTimeOfOldestPendingJob()
            : null;
        $age = $oldest === null ? 0 : max(0, time() - $oldest);

        return new Check($name, match (true) {
            $age > self::WAITS_LONG => Health::Failing,
            $age > self::WAITS => Health::Poor,
            default => Health::Well,
        }, $told . ($age > self::WAITS ? ", the oldest for {$age} s: are there workers?" : ''), $figures + [
            'oldest_seconds' => $age,
        ]);
    }

    private function disk(string $name): Check
    {
        $free = disk_free_space(storage_path());
        $whole = disk_total_space(storage_path());
        if ($free === false || $whole === false || $whole <= 0.0) {
            return new Check($name, Health::Unknown, 'says nothing of how much is free');
        }
        $share = $free / $whole;

        return new Check($name, match (true) {
            $share < self::FAR_TOO_LITTLE => Health::Failing,
            $share < self::LEAST_FREE => Health::Poor,
            default => Health::Well,
        }, sprintf('%.0f GB free of %.0f', $free / 1e9, $whole / 1e9), ['free_bytes' => (int) $free]);
    }

    /** Whether somebody answers there as a mail server does (RFC 5321, section 4.3.1: a greeting begins with 220). */
    private function mail(string $name): Check
    {
        if (config('mail.default') !== 'smtp') {
            return new Check($name, Health::Well, 'goes to the post tray');
        }
        $host = config('mail.mailers.smtp.host');
        $port = config('mail.mailers.smtp.port');
        $scheme = config('mail.mailers.smtp.scheme');
        $host = is_string($host) ? $host : '';
        $port = is_numeric($port) ? (int) $port : 25;
        $line = @stream_socket_client(
            ($scheme === 'smtps' ? 'tls' : 'tcp') . "://{$host}:{$port}",
            timeout: self::MAIL_SECONDS,
        );
        if ($line === false) {
            return new Check($name, Health::Failing, "nobody listens at {$host}:{$port}");
        }
        stream_set_timeout($line, self::MAIL_SECONDS);
        $greeting = (string) fgets($line);
        fwrite($line, "QUIT\r\n");
        fclose($line);

        return str_starts_with($greeting, '220')
            ? new Check($name, Health::Well, "{$host}:{$port} answers")
            : new Check($name, Health::Failing, "what answers at {$host}:{$port} is no mail server");
    }

    private function lastNight(string $name): Check
    {
        $as = $this->house->settings()->nightlyAs;
        if ($as === null) {
            return new Check($name, Health::Poor, 'no audit by night: settings name nobody in whose name');
        }
        [$run, $troubled] = $this->scope->technician($as, static function () use ($as): array {
            $run = AuditRun::query()->where('technician_id', $as)
                ->where('reason', 'nightly')
                ->orderByDesc('no')
                ->first();

            return [$run, $run === null ? 0 : AuditedCustomer::query()->where('run_id', $run->id)
                ->whereNotNull('trouble')->count()];
        });
        if ($run === null) {
            return new Check($name, Health::Unknown, 'nothing was audited by night yet');
        }
        $hours = ($this->clock->now()->getTimestamp() - $run->begun_at->getTimestamp()) / 3600;
        $told = "{$run->counted} of {$run->total} customers audited"
            . ($troubled === 0 ? '' : ", {$troubled} not whole");

        return new Check($name, match (true) {
            $hours > self::NIGHT_HOURS, $run->ended_at === null && $hours > 3 => Health::Failing,
            $troubled > 0 => Health::Poor,
            default => Health::Well,
        }, $hours > self::NIGHT_HOURS ? sprintf('%s, %.0f hours ago: the last night had none', $told, $hours) : $told, [
            'audited' => $run->counted, 'customers' => $run->total, 'troubled' => $troubled,
        ]);
    }

    private function carrier(string $name): Check
    {
        $settled = $this->house->settings()->carrier;
        if ($settled === null && ! is_string(config('roster.carrier.url'))) {
            return new Check($name, Health::Unknown, 'none is set up');
        }
        try {
            $this->reached->carrier()->reach();
        } catch (CarrierTrouble $trouble) {
            return new Check($name, Health::Failing, $trouble->getMessage());
        }

        return new Check($name, Health::Well, 'answers');
    }

    /** @param array<string, mixed> $settings */
    private function switch(string $name, string $kind, array $settings): Check
    {
        try {
            $this->reached->maker($kind)->reach($settings);
        } catch (SwitchTrouble $trouble) {
            return new Check($name, Health::Failing, $trouble->getMessage());
        }

        return new Check($name, Health::Well, 'answers');
    }
}
