<?php

declare(strict_types=1);

/*
 * Writes units for systemd from the same specification the keeper reads: `units.php SPEC DIR NAME`. One for each entry,
 * each after the one before it, and a target that wants them all. What is done once is done at each start.
 */
/** @var list<string> $argv */
[, $file, $folder, $name] = $argv + ['', '', '', ''];
$spec = json_decode((string) file_get_contents($file), true, flags: JSON_THROW_ON_ERROR);
if (! is_array($spec) || ! is_array($spec['entries'] ?? null)) {
    fwrite(STDERR, "{$file} names no entries\n");
    exit(2);
}
if (! is_dir($folder) && ! @mkdir($folder, 0o755, true) || ! is_writable($folder)) {
    fwrite(STDERR, "units cannot be written to {$folder}\n");
    exit(2);
}
// systemd reads % and $ of its own, and quotes as C does.
$word = static fn (string $text): string => '"' . strtr(
    $text,
    ['\\' => '\\\\', '"' => '\\"', '%' => '%%', '$' => '$$'],
) . '"';
$prefix = "jaunty-roster-{$name}";
$before = null;
$all = [];
foreach ($spec['entries'] as $entry) {
    if (! is_array($entry) || ! is_string($entry['name'] ?? null) || ! is_array($entry['command'] ?? null)) {
        fwrite(STDERR, "{$file}: an entry without name or command\n");
        exit(2);
    }
    // The journal turns itself over.
    if ($entry['name'] === 'rotation') {
        continue;
    }
    $command = array_values(array_filter($entry['command'], is_string(...)));
    if (! str_starts_with($command[0], '/')) {
        $command[0] = trim((string) shell_exec('command -v ' . escapeshellarg($command[0])));
    }
    $once = ($entry['once'] ?? false) === true;
    $unit = "{$prefix}-{$entry['name']}.service";
    $lines = ['[Unit]', "Description=Jaunty Roster ({$name}): {$entry['name']}", "PartOf={$prefix}.target"];
    if ($before !== null) {
        array_push($lines, "Requires={$before}", "After={$before}");
    } else {
        $lines[] = 'After=network-online.target';
    }
    array_push($lines, '', '[Service]', $once ? 'Type=oneshot' : 'Type=exec');
    if ($once) {
        array_push($lines, 'RemainAfterExit=yes', 'TimeoutStartSec=600');
    } else {
        $pause = is_numeric($entry['pause'] ?? null) ? (int) $entry['pause'] : 1;
        array_push($lines, 'Restart=always', 'RestartSec=' . max(1, $pause));
    }
    if (is_string($entry['user'] ?? null)) {
        $lines[] = "User={$entry['user']}";
    }
    foreach (is_array($entry['env'] ?? null) ? $entry['env'] : [] as $key => $value) {
        $lines[] = 'Environment=' . $word($key . '=' . (is_string($value) ? $value : ''));
    }
    if (($entry['signal'] ?? 'TERM') === 'INT') {
        $lines[] = 'KillSignal=SIGINT';
    }
    $lines[] = 'ExecStart=' . implode(' ', array_map($word, $command));
    // What the next one leans on has to answer, not only to have begun.
    $ready = is_array($entry['ready'] ?? null) ? $entry['ready'] : [];
    $asks = is_array($ready['command'] ?? null)
        ? implode(' ', array_map(escapeshellarg(...), array_filter($ready['command'], is_string(...))))
        : (is_string($ready['http'] ?? null) ? 'curl -fsS -o /dev/null ' . escapeshellarg($ready['http']) : null);
    if ($asks !== null) {
        $lines[] = 'ExecStartPost=/bin/sh -c ' . $word(
            "for i in \$(seq 150); do {$asks} >/dev/null 2>&1 && exit 0; sleep 0.2; done; exit 1",
        );
    }
    array_push($lines, '', '[Install]', "WantedBy={$prefix}.target", '');
    file_put_contents("{$folder}/{$unit}", implode("\n", $lines));
    $all[] = $unit;
    $before = $unit;
}
file_put_contents("{$folder}/{$prefix}.target", implode("\n", [
    '[Unit]', "Description=Jaunty Roster ({$name})", 'Wants=' . implode(' ', $all), 'After=' . implode(' ', $all), '',
    '[Install]', 'WantedBy=multi-user.target', '',
]));
echo count($all) . " units and {$prefix}.target are in {$folder}. Then:\n"
    . "  cp {$folder}/{$prefix}* /etc/systemd/system/ && systemctl daemon-reload\n"
    . "  systemctl enable --now {$prefix}.target\n";
