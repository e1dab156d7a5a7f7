<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch;

use Standins\Shared\Refusal;
use Standins\Shared\Request;
use Standins\Shared\Response;
use Standins\Shared\Store;

/**
 * Telephones that come to the switch: each fetches its configuration by its hardware address and a login of its own,
 * and says that it is there. What it says of itself is kept: since when, which program it runs, which configuration it
 * has.
 */
final readonly class Handsets
{
    private const SCHEMA = <<<'SQL'
        CREATE TABLE IF NOT EXISTS handsets (
            id TEXT PRIMARY KEY, account TEXT NOT NULL, login TEXT, make TEXT, firmware TEXT, address TEXT,
            config TEXT, keeps INTEGER NOT NULL DEFAULT 0, since INTEGER, lost INTEGER, refused INTEGER);
        CREATE INDEX IF NOT EXISTS handsets_by_account ON handsets (account);
        SQL;

    private Store $store;

    /** @param \Closure(): int $clock seconds since 1970 */
    public function __construct(string $file, private Records $records, private \Closure $clock)
    {
        // A file of its own: a login is learned while a record is being written, and one file has one writer.
        $this->store = new Store($file === ':memory:' ? $file : "{$file}.handsets", self::SCHEMA);
    }

    /** The login of a set is taken and never told again but to the bench. */
    public function learn(Record $set, string $login): void
    {
        $this->row($set);
        $this->store->rows('UPDATE handsets SET login = ?, since = NULL WHERE id = ?', [$login, $set->id]);
    }

    /** @return list<array<string, mixed>> every set of an account, as it was heard of last */
    public function of(string $account): array
    {
        $rows = [];
        foreach ($this->store->rows('SELECT * FROM handsets WHERE account = ?', [$account]) as $row) {
            $rows[(string) $row['id']] = $row;
        }

        return array_map(function (Record $set) use ($rows): array {
            $row = $rows[$set->id] ?? [];
            $wanted = $this->configuration($set)['version'];
            // One that keeps nothing back has fetched what changed by the time anybody asks.
            $has = ($row['keeps'] ?? 0) === 1 || ($row['since'] ?? null) === null ? $row['config'] ?? null : $wanted;

            return [
                'set' => $set->id, 'since' => $row['since'] ?? null, 'lost' => $row['lost'] ?? null,
                'refused' => $row['refused'] ?? null, 'make' => $row['make'] ?? null,
                'firmware' => $row['firmware'] ?? null, 'address' => $row['address'] ?? null,
                'current' => $has === $wanted ? 1 : 0,
            ];
        }, $this->records->list($account, 'sets'));
    }

    /** @throws Refusal 401, 404 */
    public function answer(Request $request): Response
    {
        $steps = explode('/', trim($request->path, '/'));
        if ($steps === ['provision']) {
            return Response::json(200, ['rows' => $this->onTheBench()]);
        }
        $set = $this->called($steps[1] ?? '');
        $row = $this->row($set);
        $given = base64_decode(substr($request->header('authorization') ?? '', strlen('Basic ')), true);
        if (! is_string($row['login']) || $given !== "{$steps[1]}:{$row['login']}") {
            $this->store->rows('UPDATE handsets SET refused = ? WHERE id = ?', [($this->clock)(), $set->id]);
            throw new Refusal(401, 'this set is not let in');
        }
        $what = $steps[2] ?? '';

        return match ("{$request->method} {$what}") {
            'GET ' => Response::json(200, $this->configuration($set)),
            'PUT here' => $this->here($set, $request->json()),
            'DELETE here' => $this->gone($set),
            default => throw new Refusal(404, 'nothing here'),
        };
    }

    /** @param array<string, mixed> $said */
    private function here(Record $set, array $said): Response
    {
        $text = static fn (string $field): ?string => is_string($said[$field] ?? null) ? $said[$field] : null;
        $this->store->rows(
            'UPDATE handsets SET make = ?, firmware = ?, address = ?, config = ?, keeps = ?, since = ?, lost = NULL, '
                . 'refused = NULL WHERE id = ?',
            [
                $text('make'), $text('firmware'), $text('address'), $text('config'),
                ($said['keeps'] ?? 0) === 1 ? 1 : 0, ($this->clock)(), $set->id,
            ],
        );

        return Response::json(200, ['here' => $set->id]);
    }

    private function gone(Record $set): Response
    {
        $this->store->rows('UPDATE handsets SET since = NULL, lost = ? WHERE id = ?', [($this->clock)(), $set->id]);

        return Response::json(200, ['gone' => $set->id]);
    }

    /** @return array{version: string, lines: list<string>, buttons: mixed} what a set is to do */
    private function configuration(Record $set): array
    {
        $lines = [];
        foreach (is_array($set->body['owners'] ?? null) ? $set->body['owners'] : [] as $owner) {
            $person = is_array($owner) && is_string($owner['person'] ?? null) ? $owner['person'] : '';
            $short = $this->bodyOf($set->account, $person)['short'] ?? null;
            $lines[] = is_string($short) ? $short : '';
        }
        $buttons = $set->body['buttons'] ?? [];

        $whole = (string) json_encode([$lines, $buttons, $set->body['guest'] ?? 0]);

        return [
            'version' => substr(hash('sha256', $whole), 0, 12),
            'lines' => $lines, 'buttons' => $buttons,
        ];
    }

    /** @return array<string, mixed> */
    private function bodyOf(string $account, string $person): array
    {
        try {
            return $this->records->get($account, 'persons', $person)->body;
        } catch (Refusal) {
            return [];
        }
    }

    private function called(string $hardware): Record
    {
        foreach ($this->records->accounts() as $account) {
            foreach ($this->records->list($account->id, 'sets') as $set) {
                if (($set->body['mac'] ?? null) === $hardware && $hardware !== '') {
                    return $set;
                }
            }
        }
        throw new Refusal(404, "no set has the address {$hardware}");
    }

    /** @return array<string, int|string|null> */
    private function row(Record $set): array
    {
        $this->store->rows('INSERT OR IGNORE INTO handsets (id, account) VALUES (?, ?)', [$set->id, $set->account]);

        return $this->store->row('SELECT * FROM handsets WHERE id = ?', [$set->id]) ?? [];
    }

    /** @return list<array<string, mixed>> every set there is with its login: what whoever unpacks one holds in hand */
    private function onTheBench(): array
    {
        $rows = [];
        foreach ($this->records->accounts() as $account) {
            foreach ($this->records->list($account->id, 'sets') as $set) {
                $row = $this->row($set);
                $premises = is_string($set->body['at_premises'] ?? null)
                    ? $this->records->get($account->id, 'premises', $set->body['at_premises'])->body['caption'] ?? ''
                    : '';
                $rows[] = [
                    'account' => $account->body['handle'], 'mac' => $set->body['mac'],
                    'caption' => $set->body['caption'], 'make' => $set->body['make'], 'premises' => $premises,
                    'login' => $row['login'], 'since' => $row['since'], 'keeps' => $row['keeps'],
                    'firmware' => $row['firmware'], 'fate' => $set->body['fate'],
                    'heard' => ($row['since'] ?? $row['lost'] ?? $row['refused']) === null ? 0 : 1,
                ];
            }
        }

        return $rows;
    }
}
