<?php

declare(strict_types=1);

/*
 * Finds what a keeper of this checkout started, by the mark each of its processes carries in its environment, and by
 * the session it was started in where a program wrote over that: never by name or by a pid alone, which may be somebody
 * else's by now.
 *
 * usage: processes.php running HOME MARK   prints the keeper's pid and ends with 0 if it is at work
 *        processes.php end HOME MARK       ends the keeper, then anything it left behind
 */
/** @var array{string, string, string, string} $argv */
[, $verb, $home, $mark] = $argv;

/** Fields of a process after its name: state, parent, group, session ... the 20th is when it began. */
$fields = static function (int $pid): array {
    $stat = (string) @file_get_contents("/proc/{$pid}/stat");

    return $stat === '' ? [] : explode(' ', substr($stat, (int) strrpos($stat, ')') + 2));
};
$marked = static function () use ($home, $mark, $fields): array {
    $sessions = [];
    $noted = @file("{$home}/run/sessions", FILE_IGNORE_NEW_LINES);
    foreach ($noted === false ? [] : $noted as $line) {
        [$leader, $begun] = explode(' ', $line) + ['', ''];
        $now = $fields((int) $leader);
        // As long as a member lives, no other process gets the session's number; where a leader stands there, it has to
        // be the one noted.
        if ($now === [] || ($now[19] ?? '') === $begun) {
            $sessions[$leader] = true;
        }
    }
    $pids = [];
    $folders = glob('/proc/[0-9]*', GLOB_ONLYDIR);
    foreach ($folders === false ? [] : $folders as $folder) {
        $environment = (string) @file_get_contents("{$folder}/environ");
        $pid = (int) basename($folder);
        $of = $fields($pid);
        $isOurs = str_contains("\0{$environment}\0", "\0JAUNTY_KEEPER={$mark}\0")
            || (isset($sessions[$of[3] ?? '']) && ($of[0] ?? 'Z') !== 'Z');
        if ($isOurs && $pid !== getmypid()) {
            $pids[] = $pid;
        }
    }

    return $pids;
};
$keeper = static function () use ($home, $mark): ?int {
    $pid = (int) @file_get_contents("{$home}/run/keeper.pid");
    $environment = $pid > 0 ? @file_get_contents("/proc/{$pid}/environ") : false;
    $command = $pid > 0 ? (string) @file_get_contents("/proc/{$pid}/cmdline") : '';

    return $environment !== false
        && str_contains("\0{$environment}\0", "\0JAUNTY_KEEPER={$mark}\0")
        && str_contains($command, 'keeper.php')
        ? $pid
        : null;
};
$gone = static function (callable $which, float $seconds): bool {
    $until = microtime(true) + $seconds;
    while ($which() !== [] && $which() !== null) {
        if (microtime(true) > $until) {
            return false;
        }
        usleep(50_000);
    }

    return true;
};

if ($verb === 'running') {
    $pid = $keeper();
    echo $pid ?? '';
    exit($pid === null ? 1 : 0);
}

$pid = $keeper();
if ($pid !== null) {
    posix_kill($pid, SIGTERM);
    if (! $gone($keeper, 40)) {
        posix_kill($pid, SIGKILL);
    }
}
foreach ([SIGTERM, SIGINT, SIGKILL] as $signal) {
    if ($gone($marked, $signal === SIGTERM ? 0.2 : 3)) {
        break;
    }
    foreach ($marked() as $left) {
        posix_kill($left, $signal);
    }
}
$gone($marked, 3);
@unlink("{$home}/run/keeper.pid");
@unlink("{$home}/run/sessions");
exit($pid === null ? 3 : 0);
