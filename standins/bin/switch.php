<?php

declare(strict_types=1);

/*
 * The command behind bin/switch. Speaks to the practice switch over HTTP like anybody else.
 */

use Standins\PracticeSwitch\Hand;
use Standins\PracticeSwitch\HandError;

require dirname(__DIR__) . '/src/autoload.php';

$actor = getenv('SWITCH_ACTOR');
$hand = new Hand(
    (string) getenv('SWITCH_URL'),
    (string) getenv('SWITCH_TOKEN'),
    is_string($actor) && $actor !== '' ? $actor : 'admin by hand',
);
try {
    /** @var list<string> $argv */
    echo $hand->work(array_slice($argv, 1));
} catch (HandError $fault) {
    fwrite(STDERR, "switch: {$fault->getMessage()}\n");
    exit(2);
}
