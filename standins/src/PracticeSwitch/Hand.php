<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch;

/** A hand on the switch from outside: what somebody with the switch's own password lists, shows and changes. */
final readonly class Hand
{
    public function __construct(private string $url, private string $token, private string $actor)
    {
    }

    /**
     * @param  list<string>  $arguments
     * @return string what to print
     *
     * @throws HandError in words for the person at the keyboard
     */
    public function work(array $arguments): string
    {
        $verb = $arguments[0] ?? 'list';
        if ($verb === 'list') {
            return $this->list();
        }
        if ($verb === 'faults') {
            return $this->faults(array_slice($arguments, 1));
        }
        $account = $this->account($arguments[1] ?? throw new HandError("wants an account: bin/switch {$verb} ACCOUNT"));

        return match (true) {
            $verb === 'show' => $this->show($account),
            $verb === 'log' => $this->log($account),
            $verb === 'tickets' => $this->tickets($account),
            $verb === 'call'
                && count($arguments) > 2 => $this->call($account, $arguments[2], array_slice($arguments, 3)),
            $verb === 'traffic' && count($arguments) === 3 => $this->traffic($account, $arguments[2]),
            $verb === 'set'
                && count($arguments) === 5 => $this->set($account, $arguments[2], $arguments[3], $arguments[4]),
            default => throw new HandError(
                'usage: bin/switch [list | show ACCOUNT | log ACCOUNT | set ACCOUNT COLLECTION[/WHICH] FIELD VALUE | '
                    . 'call ACCOUNT DIGITS [from=DIGITS] [at=INSTANT] [keys=KEYS] [SHORT=MOOD ...] | '
                    . 'traffic ACCOUNT FILE | tickets ACCOUNT | faults [none | KNOB=NUMBER ...]]',
            ),
        };
    }

    private function list(): string
    {
        $text = '';
        foreach ($this->rows('/v1/accounts') as $account) {
            $text .= str_pad(self::plain($account['handle'] ?? null), 32)
                . self::plain($account['title'] ?? null)
                . "\n";
        }

        return $text;
    }

    /** @param list<string> $asked `errors=20`, or `none`; nothing shows what is in force */
    private function faults(array $asked): string
    {
        $plan = [];
        foreach ($asked as $knob) {
            [$name, $value] = explode('=', $knob, 2) + [1 => ''];
            if ($knob !== 'none' && ! ctype_digit($value)) {
                throw new HandError("{$knob}: wants KNOB=NUMBER, such as errors=20 cut_after=5 latency_ms=300");
            }
            $plan[$name] = (int) $value;
        }
        $inForce = match (true) {
            $asked === [] => $this->ask('/v1/faults'),
            $asked === ['none'] => $this->ask('/v1/faults', [], 'DELETE'),
            default => $this->ask('/v1/faults', $plan, 'PUT'),
        };

        return implode('', array_map(
            static fn (string $knob, mixed $value): string => str_pad($knob, 16) . self::plain($value) . "\n",
            array_keys($inForce),
            array_values($inForce),
        ));
    }

    /** @param array<string, mixed> $account */
    private function show(array $account): string
    {
        $text = self::record($account, 'accounts/' . self::plain($account['id'] ?? null));
        foreach (array_diff(array_keys(Vocabulary::collections()), [Vocabulary::ACCOUNT]) as $collection) {
            foreach ($this->rows(self::path($account) . "/{$collection}") as $record) {
                $text .= self::record($record, "{$collection}/" . self::plain($record['id'] ?? null));
            }
        }

        return $text;
    }

    /** @param array<string, mixed> $account */
    private function log(array $account): string
    {
        $text = '';
        foreach ($this->rows(self::path($account) . '/edits') as $edit) {
            $said = array_map(self::plain(...), $edit);
            $text .= gmdate('Y-m-d H:i', (int) ($said['stamp'] ?? 0))
                . "  {$said['who']}  {$said['collection']}/{$said['record']} {$said['what']} {$said['field']} "
                    . "{$said['was']} -> {$said['is_now']}\n";
        }

        return $text;
    }

    /**
     * Asks what becomes of a call.
     *
     * @param  array<string, mixed>  $account
     * @param  list<string>  $said  `from=...`, `at=...`, `keys=...`, and a mood for the person with a short number or
     *     for digits outside
     */
    private function call(array $account, string $dialled, array $said): string
    {
        $people = [];
        foreach ($this->rows(self::path($account) . '/persons') as $person) {
            $people[self::plain($person['short'] ?? null)] = self::plain($person['id'] ?? null);
        }
        $asked = ['dial' => $dialled, 'stamp' => time(), 'moods' => []];
        foreach ($said as $word) {
            [$name, $value] = explode('=', $word, 2) + [1 => ''];
            switch ($name) {
                case 'from':
                    $asked['from'] = $value;
                    break;
                case 'at':
                    $asked['stamp'] = strtotime($value);
                    break;
                case 'keys':
                    $asked['keys'] = array_map(static fn (string $key): array => ['key' => $key], str_split($value));
                    break;
                default:
                    $asked['moods'][isset($people[$name]) ? 'person' : 'dial'][$people[$name] ?? $name] = $value;
            }
        }
        $answer = $this->ask(self::path($account) . '/trials', $asked, 'POST');
        $names = $this->names($account);
        $text = '';
        foreach (is_array($answer['journal'] ?? null) ? $answer['journal'] : [] as $line) {
            $text .= is_array($line)
                ? str_pad(self::plain($line['t'] ?? null), 5, ' ', STR_PAD_LEFT)
                . ' s  '
                . $this->named($line['place'] ?? null, $names)
                . ' '
                . self::plain($line['what'] ?? null)
                . "\n"
                : '';
        }

        return $text . 'ended: ' . self::plain($answer['ended'] ?? null) . ' at ' . $this->named(
            $answer['place'] ?? null,
            $names,
        ) . ' after ' . self::plain($answer['after'] ?? null) . " s\n";
    }

    /** @param array<string, mixed> $account */
    private function traffic(array $account, string $file): string
    {
        $calls = is_file($file) ? json_decode((string) file_get_contents($file), true) : null;
        if (! is_array($calls)) {
            throw new HandError(
                "{$file}: wants a JSON list of calls, such as "
                    . "[{\"dial\": \"19025550150\", \"stamp\": 1796148300, \"talk\": 90}]",
            );
        }

        return self::json($this->ask(self::path($account) . '/traffic', ['calls' => $calls], 'POST')) . "\n";
    }

    /** @param array<string, mixed> $account */
    private function tickets(array $account): string
    {
        $names = $this->names($account);
        $text = '';
        foreach ($this->rows(self::path($account) . '/tickets') as $ticket) {
            $text .= gmdate('Y-m-d H:i:s', (int) self::plain($ticket['stamp'] ?? null))
                . '  '
                . str_pad(self::plain($ticket['from'] ?? null), 16)
                . str_pad(self::plain($ticket['dialled'] ?? null), 16)
                . str_pad(self::plain($ticket['ended'] ?? null), 10)
                . $this->named($ticket['place'] ?? null, $names)
                . '  waited '
                . self::plain($ticket['waited'] ?? null)
                . ' s, talked '
                . self::plain($ticket['talked'] ?? null)
                . " s\n";
        }

        return $text;
    }

    /**
     * @param  array<string, mixed>  $account
     * @return array<string, string> what a record is called, by id
     */
    private function names(array $account): array
    {
        $names = [];
        foreach (
            [
                'lines' => 'digits', 'bands' => 'caption', 'ladders' => 'caption', 'greeters' => 'caption',
                'keypads' => 'caption', 'boxes' => 'caption', 'notices' => 'caption', 'sockets' => 'caption',
                'persons' => 'given',
            ] as $collection => $field
        ) {
            foreach ($this->rows(self::path($account) . "/{$collection}") as $record) {
                $names[self::plain($record['id'] ?? null)] = trim(
                    self::plain($record[$field] ?? null) . ' ' . self::plain($record['family'] ?? null),
                );
            }
        }

        return $names;
    }

    /** @param array<string, string> $names */
    private function named(mixed $place, array $names): string
    {
        $word = is_array($place) ? (string) array_key_first($place) : '';
        $id = is_array($place) ? self::plain($place[$word] ?? null) : '';

        return "{$word} " . ($names[$id] ?? $id);
    }

    /** @param array<string, mixed> $account */
    private function set(array $account, string $which, string $field, string $typed): string
    {
        $value = json_decode($typed, true) ?? ($typed === 'null' ? null : $typed);
        $target = $this->target($account, $which);
        $record = $this->ask($target, [$field => $value]);

        return "{$target}: {$field} is now " . self::json($record[$field] ?? null) . "\n";
    }

    /** @param array<string, mixed> $account */
    private function target(array $account, string $which): string
    {
        [$collection, $id] = explode('/', $which, 2) + [1 => ''];
        if ($collection === 'accounts') {
            return self::path($account);
        }
        $rows = $this->rows(self::path($account) . "/{$collection}");
        $meant = array_values(array_filter(
            $rows,
            // By its id, or by anything it says of itself, such as its short number.
            static fn (array $row): bool => $id === '' || in_array($id, array_map(self::plain(...), $row), true),
        ));
        if (count($meant) !== 1) {
            $found = $id === ''
                ? count($rows) . " records in {$collection}"
                : count($meant) . " records in {$collection} say \"{$id}\"";
            $first = $rows === [] ? 'ID' : self::plain($rows[0]['id'] ?? null);
            throw new HandError("{$found}; name one, such as {$collection}/{$first}");
        }
        $id = self::plain($meant[0]['id'] ?? null);

        return self::path($account) . "/{$collection}/{$id}";
    }

    /** @return array<string, mixed> */
    private function account(string $handle): array
    {
        return $this->rows('/v1/accounts?handle=' . rawurlencode($handle))[0]
            ?? throw new HandError("there is no account called {$handle}; bin/switch lists them");
    }

    /** @return list<array<string, mixed>> every row, however many pages */
    private function rows(string $path): array
    {
        $rows = [];
        $after = null;
        do {
            $page = $this->ask($after === null ? $path : "{$path}?after={$after}");
            foreach (is_array($page['rows'] ?? null) ? $page['rows'] : [] as $row) {
                /** @var array<string, mixed> $row */
                $rows[] = $row;
            }
            $after = is_int($page['next'] ?? null) ? $page['next'] : null;
        } while ($after !== null);

        return $rows;
    }

    /**
     * @param  ?array<string, mixed>  $body  what to change; null to read
     * @param  non-empty-string  $method
     * @return array<string, mixed>
     */
    private function ask(string $path, ?array $body = null, string $method = 'PATCH'): array
    {
        $curl = curl_init($this->url . $path);
        curl_setopt_array($curl, [
            CURLOPT_CUSTOMREQUEST => $body === null ? 'GET' : $method,
            CURLOPT_HTTPHEADER => [
                "Authorization: Bearer {$this->token}",
                'Content-Type: application/json',
                "Acting-For: {$this->actor}",
            ],
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_TIMEOUT => 10,
            CURLOPT_PROXY => '',
            CURLOPT_POSTFIELDS => $body === null ? '' : self::json($body),
        ]);
        $text = curl_exec($curl);
        if (! is_string($text)) {
            throw new HandError("the practice switch cannot be reached at {$this->url}; is bin/start running?");
        }
        $answer = json_decode($text, true);
        if (! is_array($answer) || curl_getinfo($curl, CURLINFO_RESPONSE_CODE) >= 400) {
            $fault = is_array($answer) ? $answer : ['fault' => 'it gave no proper answer'];
            throw new HandError(
                trim(self::plain($fault['where'] ?? null) . ' ' . self::plain($fault['fault'] ?? null)),
            );
        }

        /** @var array<string, mixed> $answer */
        return $answer;
    }

    /** @param array<string, mixed> $account */
    private static function path(array $account): string
    {
        return '/v1/accounts/' . self::plain($account['id'] ?? null);
    }

    /** @param array<string, mixed> $record */
    private static function record(array $record, string $title): string
    {
        $text = "{$title}\n";
        foreach ($record as $field => $value) {
            $text .= '    ' . str_pad($field, 14) . self::json($value) . "\n";
        }

        return $text;
    }

    private static function plain(mixed $value): string
    {
        return match (true) {
            is_string($value) => $value,
            is_int($value) => (string) $value,
            default => $value === null ? '' : self::json($value),
        };
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }
}
