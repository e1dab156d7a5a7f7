<?php

declare(strict_types=1);

return [
    // In the demo the post tray stands in for the world's mail.
    'default' => env('MAIL_MAILER', (bool) env('ROSTER_DEMO', false) ? 'post-tray' : 'smtp'),
    'mailers' => [
        'post-tray' => ['transport' => 'post-tray'],
        'smtp' => [
            'transport' => 'smtp', 'host' => env('MAIL_HOST', '127.0.0.1'), 'port' => env('MAIL_PORT', 25),
            // `smtps` for TLS from the first byte; otherwise STARTTLS is used wherever the server offers it.
            'scheme' => env('MAIL_SCHEME', 'smtp'),
            'username' => env('MAIL_USERNAME'), 'password' => env('MAIL_PASSWORD'), 'timeout' => 10,
        ],
    ],
    'from' => [
        'address' => env('MAIL_FROM', 'roster@localhost'),
        'name' => env('MAIL_FROM_NAME', 'Jaunty Roster'),
    ],
];
