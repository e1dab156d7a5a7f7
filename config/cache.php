<?php

declare(strict_types=1);

// Throttles and locks as well.
return [
    'default' => env('CACHE_STORE', (string) env('REDIS_URL', '') === '' ? 'database' : 'redis'),
    'stores' => [
        'array' => ['driver' => 'array', 'serialize' => false],
        'database' => ['driver' => 'database', 'table' => 'cache', 'lock_table' => 'cache_locks'],
        'redis' => ['driver' => 'redis', 'connection' => 'default', 'lock_connection' => 'default'],
    ],
    'prefix' => 'roster_',
];
