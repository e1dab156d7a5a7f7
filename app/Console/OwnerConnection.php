<?php

declare(strict_types=1);

namespace App\Console;

/** The connection `owner`: of whoever owns the tables, by a password that stands in no configuration. */
final class OwnerConnection
{
    /** @return ?string why it cannot be had; null where it can */
    public function open(): ?string
    {
        $file = config('roster.owner_password_file');
        $password = is_string($file) ? @file_get_contents($file) : false;
        if ($password === false) {
            return 'The owner\'s password file cannot be read: '
                . (is_string($file) ? $file : 'DB_OWNER_PASSWORD_FILE is not set')
                . '. Run this as the user that started the house.';
        }
        $application = config('database.connections.pgsql');
        $own = ['username' => 'roster_owner', 'password' => trim($password), 'search_path' => 'public'];
        $direct = config('roster.database_direct');
        if (is_string($direct) && preg_match('/^\[?(.+?)\]?:(\d+)$/D', $direct, $found) === 1) {
            // Past the pool: what changes tables says things of its connection that a pool would hand to others.
            $own += ['host' => $found[1], 'port' => $found[2]];
        }
        config(['database.connections.owner' => $own + (is_array($application) ? $application : [])]);

        return null;
    }
}
