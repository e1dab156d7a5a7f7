<?php

declare(strict_types=1);

return [
    'driver' => 'database',
    'lifetime' => 480, // minutes without a request; a technician's working day
    'expire_on_close' => false,
    'encrypt' => true,
    'connection' => null,
    'table' => 'sessions',
    'lottery' => [2, 100],
    'cookie' => 'jaunty_roster',
    'path' => '/',
    'domain' => null,
    // Browsers take loopback for a safe place, so this holds for http://127.0.0.1 too.
    'secure' => true,
    'http_only' => true,
    'same_site' => 'strict',
    'partitioned' => false,
];
