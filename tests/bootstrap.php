<?php

declare(strict_types=1);

require dirname(__DIR__) . '/vendor/autoload.php';

if ((string) getenv('ROSTER_HOME') === '') {
    fwrite(STDERR, "These tests need a database and services of their own: run them with bin/test PHASE.\n");
    exit(2);
}
