<?php

declare(strict_types=1);

return [
    // The post tray stands in for the world's mail; with MAIL_MAILER=smtp letters go to a mail server.
    'default' => env('MAIL_MAILER', 'post-tray'),
    'mailers' => [
        'post-tray' => ['transport' => 'post-tray'],
        'smtp' => [
            'transport' => 'smtp', 'host' => env('MAIL_HOST', '127.0.0.1'), 'port' => env('MAIL_PORT', 587),
            'username' => env('MAIL_USERNAME'), 'password' => env('MAIL_PASSWORD'), 'timeout' => 10,
        ],
    ],
    'from' => [
        'address' => env('MAIL_FROM', 'desk@saltmarsh.example'),
        'name' => env('MAIL_FROM_NAME', 'Saltmarsh Voice'),
    ],
];
