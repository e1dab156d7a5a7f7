<?php

declare(strict_types=1);

/*
 * Stand-ins load nothing but themselves: no Composer, no framework.
 */
spl_autoload_register(static function (string $class): void {
    if (str_starts_with($class, 'Standins\\')) {
        require __DIR__ . '/' . str_replace('\\', '/', substr($class, 9)) . '.php';
    }
});
