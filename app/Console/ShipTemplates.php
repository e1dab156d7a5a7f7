<?php

declare(strict_types=1);

namespace App\Console;

use App\TakingOn\Templates;
use Illuminate\Console\Command;

/** Templates that came with this version are there before anybody asks for one. */
final class ShipTemplates extends Command
{
    protected $signature = 'roster:templates';

    protected $description = 'Make the templates that ship with this version available, as newer versions of their own';

    public function handle(Templates $templates): int
    {
        $templates->ship(base_path('templates'));

        return self::SUCCESS;
    }
}
