<?php

declare(strict_types=1);

return [
    'default' => 'local',
    // Where recordings are kept; empty: in their rows.
    'large' => (string) env('ROSTER_FILES', ''),
    // Nothing is served from the disk: no addresses of its own are registered for it.
    'disks' => [
        'local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false, 'throw' => true],
        // A folder that every machine sees.
        'folder' => ['driver' => 'local', 'root' => env('FILES_FOLDER'), 'serve' => false, 'throw' => true],
        // Needs the package league/flysystem-aws-s3-v3.
        's3' => [
            'driver' => 's3', 'key' => env('S3_KEY'), 'secret' => env('S3_SECRET'), 'region' => env('S3_REGION'),
            'bucket' => env('S3_BUCKET'), 'endpoint' => env('S3_ENDPOINT'), 'throw' => true,
            'use_path_style_endpoint' => (bool) env('S3_ENDPOINT', false),
        ],
    ],
];
