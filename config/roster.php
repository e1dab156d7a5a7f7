<?php

declare(strict_types=1);

$isDemo = (bool) env('ROSTER_DEMO', false);

return [
    'demo' => $isDemo,
    // The instant the demo, the screenshots and the browser tests live at; where customers are real, time goes on.
    'fixed_now' => $isDemo ? env('ROSTER_FIXED_NOW') : null,
    // Names under which the application is reached, and addresses of proxies whose word on who asks is taken; each a
    // list with commas.
    'hosts' => env('ROSTER_HOSTS', '127.0.0.1,localhost'),
    'trusted_proxies' => env('ROSTER_TRUSTED_PROXIES', ''),
    // How switches are spoken to.
    'switch_kinds' => [
        'practice-switch' => App\Switching\Practice\PracticeSwitch::class,
        'file-switch' => App\Switching\File\FileSwitch::class,
    ],
    // The switches that the settings file names, by the name customers have them by; leads name more on the page of
    // settings. The first of all is where new customers go.
    'switches' => array_filter([
        'practice-switch' => env('SWITCH_URL') === null ? null : [
            'kind' => 'practice-switch', 'url' => env('SWITCH_URL'), 'token' => env('SWITCH_TOKEN'),
        ],
        'file-switch' => $isDemo || env('FILE_SWITCH') !== null
            ? ['kind' => 'file-switch', 'directory' => env('FILE_SWITCH')]
            : null,
    ]),
    // Where switches that are files have their folders.
    'file_switches' => env('FILE_SWITCHES', storage_path('app/switches')),
    'carrier' => ['url' => env('CARRIER_URL'), 'token' => env('CARRIER_TOKEN')],
    'studio' => ['url' => env('STUDIO_URL'), 'token' => env('STUDIO_TOKEN')],
    'post' => ['url' => env('POST_URL')],
    // What programs that watch this house show; without one nothing is told to them.
    'metrics_token' => env('ROSTER_METRICS_TOKEN'),
    // HOST:PORT of the database itself, where the application goes through a pool.
    'database_direct' => env('DB_DIRECT'),
    'owner_password_file' => env('DB_OWNER_PASSWORD_FILE'),
];
