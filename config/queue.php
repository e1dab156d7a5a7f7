<?php

declare(strict_types=1);

return [
    'default' => env('QUEUE_CONNECTION', (string) env('REDIS_URL', '') === '' ? 'database' : 'redis'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        // Jobs run in slices of a few seconds, so one whose worker was killed is taken up again after 15.
        'database' => [
            'driver' => 'database', 'table' => 'jobs', 'queue' => 'default', 'retry_after' => 15,
            'after_commit' => true,
        ],
        'redis' => [
            'driver' => 'redis', 'connection' => 'default', 'queue' => 'default', 'retry_after' => 15,
            'block_for' => null, 'after_commit' => true,
        ],
    ],
    'batching' => ['database' => 'pgsql', 'table' => 'job_batches'],
    'failed' => ['driver' => 'database-uuids', 'database' => 'pgsql', 'table' => 'failed_jobs'],
];
