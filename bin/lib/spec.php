<?php

declare(strict_types=1);

/*
 * Writes what the keeper is to keep: `spec.php FILE` with the house's names in the environment. A house of bin/serve
 * (SERVES=yes) has no stand-ins and no demo; DB_HOST names a database that is somebody else's to keep.
 */
$env = static fn (string $name): string => (string) getenv($name);
$home = $env('HOME_DIR');
$served = $env('SERVED');
$web = $env('WEB_USER');
$artisan = static fn (string ...$arguments): array => ['php', "{$served}/artisan", ...$arguments];
$standin = static fn (string $name, string $port, string $store): array => [
    'name' => $name,
    'command' => [
        'php', '-d', 'memory_limit=256M', '-d', 'opcache.enable_cli=1',
        '-S', "127.0.0.1:{$port}", "{$served}/standins/public/serve.php",
    ],
    'user' => $web,
    'env' => [
        'STANDIN' => $name, 'STANDIN_STORE' => "{$home}/standins/{$store}", 'STANDIN_TOKEN' => $env('STANDIN_TOKEN'),
        // A first start pushes nineteen customers at once; that the switch asks to wait is tried by tests of their own.
        'STANDIN_NOW' => $env('FIXED_NOW'), 'STANDIN_RATE' => '1000',
    ],
    'ready' => ['http' => "http://127.0.0.1:{$port}/health"],
];
$ours = ['ROSTER_HOME' => $home];

$serves = $env('SERVES') === 'yes';
$database = $env('SET_DB_HOST') !== '' ? [] : [
    [
        'name' => 'database',
        'command' => ['/usr/lib/postgresql/15/bin/postgres', '-D', "{$home}/cluster"],
        'user' => $env('DB_USER'),
        'signal' => 'INT',
        'ready' => [
            'command' => ['/usr/lib/postgresql/15/bin/pg_isready', '-q', '-h', '127.0.0.1', '-p', $env('DB_PORT')],
        ],
    ],
    ['name' => 'roles', 'once' => true, 'command' => [
        $env('ROOT') . '/bin/lib/database.sh', $env('ROOT'), $env('INSTANCE'), 'roster',
    ]],
];
$standins = $serves ? [] : [
    $standin('switch', $env('SWITCH_PORT'), 'switch.sqlite'),
    $standin('carrier', $env('CARRIER_PORT'), 'carrier.sqlite'),
    $standin('post', $env('POST_PORT'), 'post'),
    $standin('studio', $env('STUDIO_PORT'), ''),
    [
        'name' => 'demo', 'once' => true, 'tells' => true, 'command' => $artisan('roster:demo'), 'user' => $web,
        'env' => $ours,
    ],
    [
        'name' => 'telephones', 'once' => true,
        'command' => [
            'sh', '-c',
            'for customer in juniper-lane-surgery puffin-cove-hotel; do php "$0" begin "$customer" || true; done',
            "{$served}/standins/bin/phones.php",
        ],
        'user' => $web,
        'env' => ['SWITCH_URL' => "http://127.0.0.1:{$env('SWITCH_PORT')}", 'SWITCH_TOKEN' => $env('STANDIN_TOKEN')],
    ],
];
$worker = static fn (string $name): array => [
    'name' => $name,
    'command' => $artisan(
        'queue:work',
        '--sleep=0.3',
        '--tries=20',
        '--backoff=1',
        '--timeout=12',
        '--max-time=3600',
    ),
    'user' => $web, 'env' => $ours, 'pause' => 0.5,
];
$workers = array_map(
    static fn (int $no): array => $worker($no === 1 ? 'worker' : "worker-{$no}"),
    $serves && $env('SET_ROSTER_WORKERS') === '0' ? [] : range(1, max(1, (int) $env('SET_ROSTER_WORKERS'))),
);
$isWeb = ! $serves || $env('SET_ROSTER_WEB_PROCESSES') !== '0';
$rotation = ! $serves ? [] : [[
    'name' => 'rotation',
    // What programs write to files of their own; the application turns its own log over by the day.
    'command' => [
        'sh', '-c', 'while sleep 600; do /usr/sbin/logrotate -s "$1/run/logrotate.state" "$1/run/logrotate.conf"; done',
        'sh', $home,
    ],
    'pause' => 5.0,
]];

$entries = [
    ...$database,
    [
        'name' => 'caches', 'once' => true,
        'command' => [
            'sh', '-c',
            'rm -f "$ROSTER_HOME"/cache/*.php && php "$0" package:discover && php "$0" config:cache && php "$0" '
                . 'route:cache && chmod 0640 "$ROSTER_HOME"/cache/*.php && chgrp "$1" "$ROSTER_HOME"/cache/*.php',
            "{$served}/artisan", $web,
        ],
        'env' => $ours,
    ],
    ['name' => 'migrate', 'once' => true, 'command' => $artisan('roster:migrate'), 'env' => $ours],
    ['name' => 'templates', 'once' => true, 'command' => $artisan('roster:templates'), 'user' => $web, 'env' => $ours],
    ...$standins,
    ...$workers,
    ...$rotation,
    ['name' => 'schedule', 'command' => $artisan('schedule:work'), 'user' => $web, 'env' => $ours, 'pause' => 5.0],
    ...(! $isWeb ? [] : [
        ['name' => 'fpm', 'command' => ['/usr/sbin/php-fpm8.2', '-F', '-y', "{$home}/run/fpm.conf"], 'env' => $ours],
        [
            'name' => 'web',
            'command' => ['/usr/sbin/nginx', '-e', "{$home}/logs/nginx.log", '-c', "{$home}/run/nginx.conf"],
            'ready' => ['http' => "http://{$env('LISTEN')}/up"],
        ],
    ]),
];
$spec = ['home' => $home, 'mark' => $env('JAUNTY_KEEPER'), 'entries' => $entries];
if ($env('MESSAGE') !== '') {
    $spec['message'] = $env('MESSAGE');
}
file_put_contents($argv[1], json_encode($spec, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR));
chmod($argv[1], 0o600);
