<?php

declare(strict_types=1);

namespace App\Console;

use App\Demo\Demo;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

final class LoadDemo extends Command
{
    protected $signature = 'roster:demo';

    protected $description = 'Load what is missing of the demo: technicians, stock, customers, and their first push';

    public function handle(Demo $demo): int
    {
        if (config('roster.demo') !== true) {
            $this->info('This is no demo database; nothing was loaded.');

            return self::SUCCESS;
        }
        // What a crash of the machine would lose, the next start makes again.
        DB::statement('set synchronous_commit to off');
        foreach ($demo->load() as $line) {
            $this->line($line);
        }

        return self::SUCCESS;
    }
}
