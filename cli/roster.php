<?php

declare(strict_types=1);

/*
 * `bin/roster` once PHP runs: computes on files alone, with core's own packages; no database, no framework.
 */

use Jaunty\CommandLine\Application;

$root = dirname(__DIR__);
if (! is_file("{$root}/core/vendor/autoload.php")) {
    fwrite(
        STDERR,
        "roster: core's packages are not installed yet; run bin/start or bin/test once, or composer in core/\n",
    );
    exit(2);
}
// Most calls need core and what it knows of telephone numbers: their files are found without reading the map of every
// package, which takes longer than a call.
spl_autoload_register(static function (string $class) use ($root): void {
    foreach (
        [
            'Jaunty\\CommandLine\\' => 'cli/src',
            'Jaunty\\Core\\' => 'core/src',
            'libphonenumber\\' => 'core/vendor/giggsey/libphonenumber-for-php/src',
        ] as $prefix => $folder
    ) {
        if (str_starts_with($class, $prefix)) {
            $file = "{$root}/{$folder}/" . str_replace('\\', '/', substr($class, strlen($prefix))) . '.php';
            if (is_file($file)) {
                require $file;
            }

            return;
        }
    }
    // Registered only now, so it is asked by hand this once.
    /** @var \Composer\Autoload\ClassLoader $packages */
    $packages = require "{$root}/core/vendor/autoload.php";
    $packages->loadClass($class);
});
ini_set('memory_limit', '768M');
ini_set('display_errors', 'stderr');

/** @var list<string> $argv */
exit((new Application())->run(array_slice($argv, 1)));
