<?php

declare(strict_types=1);

/*
 * The way in for each stand-in's process: `php -S 127.0.0.1:PORT standins/public/serve.php` with
 * STANDIN (switch, carrier, post or studio), STANDIN_STORE (file or folder), STANDIN_TOKEN and, where its clock is to
 * stand still, STANDIN_NOW (an instant) in the environment; STANDIN_RATE limits the switch's calls a second (100 where
 * unset).
 */

use Standins\CarrierDesk\CarrierDesk;
use Standins\PostTray\PostTray;
use Standins\PracticeSwitch\PracticeSwitch;
use Standins\Shared\Request;
use Standins\Studio\Studio;

require dirname(__DIR__) . '/src/autoload.php';

$store = (string) getenv('STANDIN_STORE');
$token = (string) getenv('STANDIN_TOKEN');
$fixed = strtotime((string) getenv('STANDIN_NOW'));
$clock = $fixed === false ? time(...) : static fn (): int => $fixed;
$standin = match (getenv('STANDIN')) {
    'switch' => new PracticeSwitch($store, $token, $clock, max(1, (int) (
        getenv('STANDIN_RATE') === false ? '100' : getenv('STANDIN_RATE')
    ))),
    'carrier' => new CarrierDesk($store, $token, $clock),
    'post' => new PostTray($store, $clock),
    'studio' => new Studio($token),
    default => throw new RuntimeException('STANDIN must be switch, carrier, post or studio'),
};
$standin->handle(Request::fromServer())->send();
