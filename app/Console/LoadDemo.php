<?php

declare(strict_types=1);

namespace App\Console;

use App\Demo\Demo;
use Illuminate\Console\Command;

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
        foreach ($demo->load() as $line) {
            $this->line($line);
        }

        return self::SUCCESS;
    }
}
