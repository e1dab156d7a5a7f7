<?php

declare(strict_types=1);

/*
 * Chooses loopback ports: `ports.php FILE FIRST NAME...` keeps those the file already names while they are free, and
 * takes the next free ones from FIRST on for the rest. Says so when a kept port had to change.
 */
/** @var list<string> $argv */
[$file, $first] = [$argv[1] ?? '', $argv[2] ?? ''];
$read = is_file($file) ? parse_ini_file($file) : [];
$kept = array_map(intval(...), array_filter($read === false ? [] : $read, is_numeric(...)));

$isFree = static function (int $port): bool {
    $socket = @stream_socket_server("tcp://127.0.0.1:{$port}");
    if ($socket === false) {
        return false;
    }
    fclose($socket);

    return true;
};

$names = array_slice($argv, 3);
$chosen = [];
foreach ($names as $name) {
    $before = $kept["{$name}_PORT"] ?? 0;
    if ($before > 0 && ! in_array($before, $chosen, true) && $isFree($before)) {
        $chosen[$name] = $before;
    }
}
// Only now the rest: a new port must not be one that another name keeps.
$next = (int) $first;
foreach (array_diff($names, array_keys($chosen)) as $name) {
    while (in_array($next, $chosen, true) || ! $isFree($next)) {
        $next++;
    }
    $chosen[$name] = $next++;
    $before = $kept["{$name}_PORT"] ?? 0;
    if ($before > 0) {
        fwrite(STDERR, "Port {$before} is in use by something else; taking {$chosen[$name]} instead.\n");
    }
}
$lines = '';
foreach ($chosen as $name => $port) {
    $lines .= "{$name}_PORT={$port}\n";
}
file_put_contents("{$file}.new", $lines);
rename("{$file}.new", $file);
