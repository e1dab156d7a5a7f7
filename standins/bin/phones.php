<?php

declare(strict_types=1);

/*
 * The command behind bin/phones: a hand on a rack of practice telephones, which speak to the practice switch over HTTP
 * as telephones do.
 */

use Standins\PracticeSwitch\HandError;
use Standins\PracticeSwitch\Rack;

require dirname(__DIR__) . '/src/autoload.php';

$rack = new Rack((string) getenv('SWITCH_URL'), (string) getenv('SWITCH_TOKEN'));
try {
    /** @var list<string> $argv */
    echo $rack->work(array_slice($argv, 1));
} catch (HandError $fault) {
    fwrite(STDERR, "phones: {$fault->getMessage()}\n");
    exit(2);
}
