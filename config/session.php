<?php

declare(strict_types=1);

// Beside the rows, or in Redis where several machines answer (docs/scaling.md).
$keptIn = (string) env('REDIS_URL', '') === '' ? 'database' : App\Security\SessionsInRedis::class;

return [
    'driver' => $keptIn,
    // Where people's sessions are kept; a program's token has none.
    'kept_in' => $keptIn,
    'lifetime' => 480, // minutes without a request; a technician's working day
    'expire_on_close' => false,
    'encrypt' => true,
    'connection' => null,
    'table' => 'sessions',
    'lottery' => [2, 100],
    // The prefix binds it to this host and to the whole of it; browsers take it over TLS only.
    'cookie' => str_starts_with((string) env('APP_URL', ''), 'https://') ? '__Host-jaunty-roster' : 'jaunty_roster',
    'path' => '/',
    'domain' => null,
    // Browsers take loopback for a safe place, so this holds for http://127.0.0.1 too.
    'secure' => true,
    'http_only' => true,
    'same_site' => 'strict',
    'partitioned' => false,
];
