<?php

declare(strict_types=1);

/*
 * Loads one class from another file than its own (MUTANT_CLASS from MUTANT_FILE), for tests that are to notice it.
 */

require dirname(__DIR__, 3) . '/core/vendor/autoload.php';

spl_autoload_register(static function (string $class): void {
    if ($class === getenv('MUTANT_CLASS')) {
        require (string) getenv('MUTANT_FILE');
    }
}, prepend: true);
