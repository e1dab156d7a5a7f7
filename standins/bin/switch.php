<?php

declare(strict_types=1);

/*
 * The command behind bin/switch. Speaks to the practice switch over HTTP like anybody else.
 */
function ask(string $method, string $path, ?array $body = null): array
{
    $headers = ['Authorization: Bearer ' . getenv('SWITCH_TOKEN'), 'Content-Type: application/json', 'Acting-For: ' . (getenv('SWITCH_ACTOR') ?: 'admin by hand')];
    $curl = curl_init(getenv('SWITCH_URL') . $path);
    curl_setopt_array($curl, [CURLOPT_CUSTOMREQUEST => $method, CURLOPT_HTTPHEADER => $headers, CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 10, CURLOPT_PROXY => '']);
    if ($body !== null) {
        curl_setopt($curl, CURLOPT_POSTFIELDS, json_encode($body, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR));
    }
    $text = curl_exec($curl);
    if (! is_string($text)) {
        fail('the practice switch cannot be reached at ' . getenv('SWITCH_URL') . '; is bin/start running?');
    }
    $answer = json_decode($text, true);
    if (curl_getinfo($curl, CURLINFO_RESPONSE_CODE) >= 400 || ! is_array($answer)) {
        fail(trim(($answer['where'] ?? '') . ' ' . ($answer['fault'] ?? 'no answer')));
    }

    return $answer;
}

function fail(string $why): never
{
    fwrite(STDERR, "switch: {$why}\n");
    exit(2);
}

function account(string $handle): array
{
    return ask('GET', '/v1/accounts?handle=' . rawurlencode($handle))['rows'][0] ?? fail("there is no account called {$handle}; bin/switch lists them");
}

function show(array $record, string $title): void
{
    echo "{$title}\n";
    foreach ($record as $field => $value) {
        echo '    ', str_pad($field, 14), json_encode($value, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE), "\n";
    }
}

const COLLECTIONS = ['premises', 'lines', 'persons', 'boxes'];

$arguments = array_slice($argv, 1);
$verb = $arguments[0] ?? 'list';
if ($verb === 'list') {
    foreach (ask('GET', '/v1/accounts')['rows'] as $account) {
        echo str_pad((string) $account['handle'], 32), $account['title'], "\n";
    }
    exit;
}
$account = isset($arguments[1]) ? account($arguments[1]) : fail("wants an account: bin/switch {$verb} ACCOUNT");
$path = "/v1/accounts/{$account['id']}";
if ($verb === 'show') {
    show($account, "accounts/{$account['id']}");
    foreach (COLLECTIONS as $collection) {
        $after = 0;
        do {
            $page = ask('GET', "{$path}/{$collection}?after={$after}");
            foreach ($page['rows'] as $record) {
                show($record, "{$collection}/{$record['id']}");
            }
            $after = $page['next'];
        } while ($after !== null);
    }
} elseif ($verb === 'log') {
    foreach (ask('GET', "{$path}/edits")['rows'] as $edit) {
        echo gmdate('Y-m-d H:i', $edit['stamp']), "  {$edit['who']}  {$edit['collection']}/{$edit['record']} {$edit['what']} {$edit['field']} {$edit['was']} -> {$edit['is_now']}\n";
    }
} elseif ($verb === 'set' && count($arguments) === 5) {
    [, , $which, $field, $text] = $arguments;
    [$collection, $id] = explode('/', $which, 2) + [1 => null];
    $value = json_decode($text, true) ?? ($text === 'null' ? null : $text);
    if ($collection === 'accounts') {
        $target = $path;
    } else {
        $rows = $id === null ? ask('GET', "{$path}/{$collection}")['rows'] : [['id' => $id]];
        if (count($rows) !== 1) {
            fail(count($rows) . " records in {$collection}; name one, such as {$collection}/" . ($rows[0]['id'] ?? 'ID'));
        }
        $target = "{$path}/{$collection}/{$rows[0]['id']}";
    }
    $record = ask('PATCH', $target, [$field => $value]);
    echo "{$target}: {$field} is now ", json_encode($record[$field], JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE), "\n";
} else {
    fail('usage: bin/switch [list | show ACCOUNT | log ACCOUNT | set ACCOUNT COLLECTION[/ID] FIELD VALUE]');
}
