<?php

declare(strict_types=1);

/*
 * A mail server for one test: `post_office.php PORT FOLDER` takes every letter by SMTP (RFC 5321, the least a client
 * needs) and writes each to a file of the folder.
 */
/** @var list<string> $argv */
[, $port, $folder] = $argv + ['', '', ''];
$server = stream_socket_server("tcp://127.0.0.1:{$port}");
if ($server === false) {
    exit(1);
}
$no = 0;
while (($client = @stream_socket_accept($server, 600)) !== false) {
    $say = static fn (string $line): int|false => fwrite($client, "{$line}\r\n");
    $say('220 post office');
    while (($line = fgets($client)) !== false) {
        $verb = strtoupper(substr($line, 0, 4));
        if ($verb === 'DATA') {
            $say('354 go on');
            $letter = '';
            while (($line = fgets($client)) !== false && $line !== ".\r\n") {
                $letter .= $line;
            }
            file_put_contents(sprintf('%s/%03d.part', $folder, ++$no), $letter);
            rename(sprintf('%s/%03d.part', $folder, $no), sprintf('%s/%03d.eml', $folder, $no));
        }
        $say(match ($verb) {
            'QUIT' => '221 good day',
            default => '250 well',
        });
        if ($verb === 'QUIT') {
            break;
        }
    }
    fclose($client);
}
