<?php

declare(strict_types=1);

return [
    'reseller' => 'Saltmarsh Voice',
    // The instant the demo, the screenshots and the browser tests live at; unset where time goes on.
    'fixed_now' => env('ROSTER_FIXED_NOW'),
    // The technician in whose name every customer is audited by night, by sign-in; unset for no nightly audit.
    'nightly_as' => env('ROSTER_NIGHTLY_AS'),
    // Names under which the application is reached, and addresses of proxies whose word on who asks is taken; each a
    // list with commas.
    'hosts' => env('ROSTER_HOSTS', '127.0.0.1,localhost'),
    'trusted_proxies' => env('ROSTER_TRUSTED_PROXIES', ''),
    'demo' => (bool) env('ROSTER_DEMO', false),
    // Whoever tries the demo signs in so; the house of a real reseller has no such sign-in.
    'demo_sign_in' => ['signIn' => App\Demo\Demo::LEAD, 'password' => App\Demo\Demo::PASSWORD],
    // The switches there are, by the name customers have them by; the first is where new customers go.
    'switches' => [
        'practice-switch' => [
            'maker' => App\Switching\Practice\PracticeSwitch::class,
            'url' => env('SWITCH_URL'),
            'token' => env('STANDIN_TOKEN'),
        ],
        'file-switch' => ['maker' => App\Switching\File\FileSwitch::class, 'directory' => env('FILE_SWITCH')],
    ],
    'standins' => [
        'carrier' => ['url' => env('CARRIER_URL'), 'token' => env('STANDIN_TOKEN')],
        'post' => ['url' => env('POST_URL')],
        'studio' => ['url' => env('STUDIO_URL'), 'token' => env('STANDIN_TOKEN')],
    ],
    'owner_password_file' => env('DB_OWNER_PASSWORD_FILE'),
];
