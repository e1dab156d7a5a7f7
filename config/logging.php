<?php

declare(strict_types=1);

return [
    'default' => env('LOG_CHANNEL', 'daily'),
    'deprecations' => ['channel' => null, 'trace' => false],
    'channels' => [
        'daily' => [
            'driver' => 'daily',
            'path' => storage_path('logs/roster.log'),
            'level' => 'info',
            // A line is an object, for programs to read. How many days they are kept is settled by leads: roster:tidy.
            'formatter' => Monolog\Formatter\JsonFormatter::class,
            'days' => 0,
            'permission' => 0o640,
        ],
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
        'emergency' => ['path' => storage_path('logs/roster.log')],
    ],
];
