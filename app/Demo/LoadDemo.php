<?php

declare(strict_types=1);

namespace App\Demo;

use Illuminate\Console\Command;
use Illuminate\Process\Factory;
use Illuminate\Process\Pool;
use Illuminate\Support\Facades\DB;

final class LoadDemo extends Command
{
    /** Customers are loaded by so many processes: each waits for the switch half of the time. */
    private const AT_ONCE = 2;

    private const LISTENED_EVERY_MICROSECONDS = 100_000;

    protected $signature = 'roster:demo {--turn= : load every so many-th customer alone, from this one on}';

    protected $description = 'Load what is missing of the demo: technicians, stock, customers, and their first push';

    public function handle(Demo $demo, Factory $processes): int
    {
        // What a crash of the machine would lose, the next start makes again.
        DB::statement('set synchronous_commit to off');
        $turn = $this->option('turn');
        if (is_string($turn)) {
            $this->tell($demo->customers((int) $turn, self::AT_ONCE));

            return self::SUCCESS;
        }
        $this->tell($demo->begin());
        $turns = $processes->pool(static function (Pool $pool): void {
            foreach (range(0, self::AT_ONCE - 1) as $turn) {
                $pool->forever()->command([PHP_BINARY, base_path('artisan'), 'roster:demo', "--turn={$turn}"]);
            }
        })->start(function (string $sort, string $said): void {
            $this->output->write($said);
        });
        // Both are listened to while they work; waiting would hear the second once the first has ended.
        while ($turns->running()->isNotEmpty()) {
            usleep(self::LISTENED_EVERY_MICROSECONDS);
        }
        if ($turns->wait()->failed()) {
            return self::FAILURE;
        }
        $demo->finish();

        return self::SUCCESS;
    }

    /** @param iterable<string> $lines */
    private function tell(iterable $lines): void
    {
        foreach ($lines as $line) {
            $this->line($line);
        }
    }
}
