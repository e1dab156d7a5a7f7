<?php

declare(strict_types=1);

return [
    'reseller' => 'Saltmarsh Voice',
    // The instant the demo, the screenshots and the browser tests live at; unset where time goes on.
    'fixed_now' => env('ROSTER_FIXED_NOW'),
    // The technician in whose name every customer is audited by night, by sign-in; unset for no nightly audit.
    'nightly_as' => env('ROSTER_NIGHTLY_AS'),
    'demo' => (bool) env('ROSTER_DEMO', false),
    'standins' => [
        'switch' => ['url' => env('SWITCH_URL'), 'token' => env('STANDIN_TOKEN')],
        'carrier' => ['url' => env('CARRIER_URL'), 'token' => env('STANDIN_TOKEN')],
        'post' => ['url' => env('POST_URL')],
        'studio' => ['url' => env('STUDIO_URL'), 'token' => env('STANDIN_TOKEN')],
    ],
    'owner_password_file' => env('DB_OWNER_PASSWORD_FILE'),
];
