<?php

declare(strict_types=1);

// Through PgBouncer in transaction mode a connection is another client's after each transaction: nothing is prepared on
// it, nothing is set on it but within a transaction, and none is kept (docs/scaling.md).
$isPooled = (bool) env('DB_POOLED', false);

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
            // Set by a statement of its own; of the role it is the same.
            'search_path' => $isPooled ? null : 'public',
            'sslmode' => 'disable',
            'options' => [
                PDO::ATTR_PERSISTENT => ! $isPooled && (bool) env('DB_PERSISTENT', false),
                PDO::PGSQL_ATTR_DISABLE_PREPARES => $isPooled,
            ],
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
    'redis' => [
        'client' => 'predis',
        'options' => ['prefix' => env('REDIS_PREFIX', 'roster:')],
        'default' => ['url' => env('REDIS_URL'), 'read_write_timeout' => 60],
    ],
];
