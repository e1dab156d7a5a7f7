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

    public function handle(): int
    {
        $file = config('roster.owner_password_file');
        $password = is_string($file) ? @file_get_contents($file) : false;
        if ($password === false) {
            $this->error(
                'The owner\'s password file cannot be read: '
                . (is_string($file) ? $file : 'DB_OWNER_PASSWORD_FILE is not set')
                . '. Run this as the user that started the house.',
            );

            return self::FAILURE;
        }
        $application = config('database.connections.pgsql');
        config(['database.connections.owner' => ['username' => 'roster_owner', 'password' => trim($password)] + (
            is_array($application) ? $application : []
        )]);
        $fresh = $this->option('fresh') === true;
        if ($fresh && config('roster.demo') !== true) {
            $this->error('This is no demo database; it is not dropped.');

            return self::FAILURE;
        }

        return $this->call($fresh ? 'migrate:fresh' : 'migrate', ['--database' => 'owner', '--force' => true]);
    }
}
