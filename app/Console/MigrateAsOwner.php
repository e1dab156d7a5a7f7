<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;

/**
 * Migrates as the owner of the tables. The owner's password is read from its file here and stands in no configuration.
 */
final class MigrateAsOwner extends Command
{
    protected $signature = 'roster:migrate {--fresh : drop everything first (only where the demo is allowed)}';

    protected $description = 'Bring the database to the newest version, as its owner';

    public function handle(OwnerConnection $owner): int
    {
        $trouble = $owner->open();
        if ($trouble !== null) {
            $this->error($trouble);

            return self::FAILURE;
        }
        $fresh = $this->option('fresh') === true;
        if ($fresh && config('roster.demo') !== true) {
            $this->error('This is no demo database; it is not dropped.');

            return self::FAILURE;
        }

        return $this->call($fresh ? 'migrate:fresh' : 'migrate', ['--database' => 'owner', '--force' => true]);
    }
}
