<?php

declare(strict_types=1);

use App\Console\AuditCustomers;
use App\Console\BeginHouse;
use App\Console\ExportBook;
use App\Console\ImportBook;
use App\Console\MailDigest;
use App\Console\MigrateAsOwner;
use App\Console\MoveNumbers;
use App\Console\PartitionByCustomer;
use App\Console\PurgeCustomer;
use App\Console\PushCustomer;
use App\Console\ReadDrift;
use App\Console\ShipTemplates;
use App\Console\TakeUp;
use App\Console\TidyUp;
use App\Console\VerifyActivity;
use App\Http\Middleware\CheckOrigin;
use App\Http\Middleware\RequestLog;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SignInByToken;
use App\Http\Problem\ProblemRenderer;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;

/*
 * Everything this machine adds (settings, caches, logs, sessions) lives in one folder outside the code, named by
 * ROSTER_HOME; bin/start and bin/test each have their own.
 */
$home = getenv('ROSTER_HOME');
$home = is_string($home) && $home !== '' ? $home : dirname(__DIR__) . '/var/house';
foreach (['CONFIG', 'ROUTES', 'EVENTS', 'PACKAGES', 'SERVICES'] as $cache) {
    $_ENV["APP_{$cache}_CACHE"] = "{$home}/cache/" . strtolower($cache) . '.php';
}

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__ . '/../routes/web.php',
    )
    ->withCommands([
        AuditCustomers::class, BeginHouse::class, MailDigest::class, MigrateAsOwner::class, MoveNumbers::class,
        ReadDrift::class,
        PurgeCustomer::class, PushCustomer::class, ExportBook::class, ImportBook::class, ShipTemplates::class,
        PartitionByCustomer::class, TakeUp::class, TidyUp::class, VerifyActivity::class,
    ])
    ->withMiddleware(static function (Middleware $middleware): void {
        $middleware->prepend(RequestLog::class);
        $middleware->append(SecurityHeaders::class);
        $middleware->web(prepend: [SignInByToken::class], replace: [ValidateCsrfToken::class => CheckOrigin::class]);
        $middleware->trimStrings(except: ['password', 'newPassword']);
        // Which hosts and proxies: RosterServiceProvider, once the settings are read.
        $middleware->trustHosts(at: [], subdomains: false);
        $middleware->redirectGuestsTo(static fn (): ?string => null);
    })
    ->withExceptions(static function (Exceptions $exceptions): void {
        ProblemRenderer::install($exceptions);
    })
    ->create()
    ->useStoragePath("{$home}/storage")
    ->useEnvironmentPath($home)
    ->loadEnvironmentFrom('app.env');
