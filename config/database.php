<?php

declare(strict_types=1);

/*
 * The application's role alone: it reads and writes rows, owns nothing, and row-level security holds for it. The
 * owner's password is read from a file by the commands that migrate, never kept in configuration (see
 * docs/security.md).
 */
return [
    'default' => 'pgsql',
    'connections' => [
        'pgsql' => [
            'driver' => 'pgsql',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT'),
            'database' => env('DB_DATABASE', 'roster'),
            'username' => env('DB_USERNAME', 'roster_app'),
            'password' => env('DB_PASSWORD'),
            'charset' => 'utf8',
            'prefix' => '',
            'search_path' => 'public',
            'sslmode' => 'disable',
            'options' => [PDO::ATTR_PERSISTENT => (bool) env('DB_PERSISTENT', false)],
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
    'redis' => [],
];
