<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch;

use Standins\Shared\Refusal;
use Standins\Shared\Store;

/** The switch's records: one table of JSON bodies, an edit log beside it, and what was already done under which key. */
final readonly class Records
{
    private const SCHEMA = <<<'SQL'
        CREATE TABLE IF NOT EXISTS records (
            id TEXT PRIMARY KEY, account TEXT NOT NULL, collection TEXT NOT NULL, body TEXT NOT NULL,
            version INTEGER NOT NULL, serial INTEGER NOT NULL);
        CREATE INDEX IF NOT EXISTS records_by_account ON records (account, collection, serial);
        CREATE TABLE IF NOT EXISTS edits (
            serial INTEGER PRIMARY KEY AUTOINCREMENT, account TEXT NOT NULL, record TEXT NOT NULL,
                collection TEXT NOT NULL,
            stamp INTEGER NOT NULL, who TEXT NOT NULL, what TEXT NOT NULL, field TEXT, was TEXT, is_now TEXT);
        CREATE TABLE IF NOT EXISTS jobs (id TEXT PRIMARY KEY, account TEXT NOT NULL, record TEXT NOT NULL,
            looks INTEGER NOT NULL);
        CREATE TABLE IF NOT EXISTS done (key TEXT PRIMARY KEY, status INTEGER NOT NULL, body TEXT NOT NULL);
        SQL;

    private const LOOKS_A_JOB_TAKES = 2;

    private Store $store;

    /** @param \Closure(): int $clock seconds since 1970 */
    public function __construct(string $file, private \Closure $clock)
    {
        $this->store = new Store($file, self::SCHEMA);
    }

    /**
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    public function inTransaction(callable $work): mixed
    {
        return $this->store->inTransaction($work);
    }

    /** @return list<Record> */
    public function list(string $account, string $collection, int $after = 0, int $most = 1_000_000): array
    {
        return array_map(Record::fromRow(...), $this->store->rows(
            'SELECT * FROM records WHERE account = ? AND collection = ? AND serial > ? ORDER BY serial LIMIT ?',
            [$account, $collection, $after, $most],
        ));
    }

    /** @throws Refusal 404 */
    public function get(string $account, string $collection, string $id): Record
    {
        $row = $this->store->row(
            'SELECT * FROM records WHERE id = ? AND account = ? AND collection = ?',
            [$id, $account, $collection],
        );

        return $row === null ? throw new Refusal(404, "no record {$id} among {$collection}") : Record::fromRow($row);
    }

    /** @return list<Record> every record of an account, the account itself first */
    public function all(string $account): array
    {
        return array_map(
            Record::fromRow(...),
            $this->store->rows('SELECT * FROM records WHERE account = ? ORDER BY serial', [$account]),
        );
    }

    /** @return list<Record> */
    public function accounts(): array
    {
        return array_map(
            Record::fromRow(...),
            $this->store->rows('SELECT * FROM records WHERE collection = ? ORDER BY serial', [Vocabulary::ACCOUNT]),
        );
    }

    /** @param array<string, mixed> $body */
    public function add(?string $account, string $collection, array $body, string $who): Record
    {
        // Every record made is logged, so this never comes again, even where the newest record is removed.
        $serial = (int) ($this->store->row('SELECT coalesce(max(serial), 0) + 1 AS next FROM edits')['next'] ?? 1);
        $id = substr($collection, 0, 1) . '-' . substr(hash('sha256', "{$collection} {$serial}"), 0, 10);
        $record = new Record($id, $account ?? $id, $collection, $body, 1, $serial);
        $this->store->rows(
            'INSERT INTO records (id, account, collection, body, version, serial) VALUES (?, ?, ?, ?, 1, ?)',
            [$id, $record->account, $collection, self::encode($body), $serial],
        );
        $this->log($record, $who, 'made', null, null, null);

        return $record;
    }

    /** @param array<string, mixed> $body */
    public function replace(Record $record, array $body, string $who): Record
    {
        foreach ($body as $field => $value) {
            if ($value !== ($record->body[$field] ?? null)) {
                $this->log($record, $who, 'changed', $field, $record->body[$field] ?? null, $value);
            }
        }
        $this->store->rows(
            'UPDATE records SET body = ?, version = version + 1 WHERE id = ?',
            [self::encode($body), $record->id],
        );

        return new Record(
            $record->id,
            $record->account,
            $record->collection,
            $body,
            $record->version + 1,
            $record->serial,
        );
    }

    public function remove(Record $record, string $who): void
    {
        $this->store->rows('DELETE FROM records WHERE id = ?', [$record->id]);
        $this->log($record, $who, 'removed', null, null, null);
    }

    /** @return list<array<string, int|string|null>> newest first */
    public function edits(string $account): array
    {
        return $this->store->rows(
            'SELECT serial, record, collection, stamp, who, what, field, was, is_now FROM edits WHERE account = ? '
                . 'ORDER BY serial DESC LIMIT 500',
            [$account],
        );
    }

    /** Begins the activation of a line. @return string the job's id */
    public function begin(Record $record): string
    {
        $id = "j-{$record->id}";
        $this->store->rows(
            'INSERT INTO jobs (id, account, record, looks) VALUES (?, ?, ?, 0)',
            [$id, $record->account, $record->id],
        );

        return $id;
    }

    /**
     * A job goes on whenever somebody looks at it, so that it takes the same time in every test.
     *
     * @return array{id: string, record: string, state: string}
     *
     * @throws Refusal 404
     */
    public function job(string $account, string $id): array
    {
        $row = $this->store->row(
            'UPDATE jobs SET looks = looks + 1 WHERE id = ? AND account = ? RETURNING record, looks',
            [$id, $account],
        )
            ?? throw new Refusal(404, "no job {$id}");

        return [
            'id' => $id,
            'record' => (string) $row['record'],
            'state' => (int) $row['looks'] >= self::LOOKS_A_JOB_TAKES ? 'done' : 'waiting',
        ];
    }

    /** @return ?array<string, int|string|null> what an idempotency key already led to */
    public function done(string $key): ?array
    {
        return $this->store->row('SELECT status, body FROM done WHERE key = ?', [$key]);
    }

    public function markDone(string $key, int $status, string $body): void
    {
        $this->store->rows('INSERT INTO done (key, status, body) VALUES (?, ?, ?)', [$key, $status, $body]);
    }

    private function log(Record $record, string $who, string $what, ?string $field, mixed $was, mixed $now): void
    {
        $this->store->rows(
            'INSERT INTO edits (account, record, collection, stamp, who, what, field, was, is_now) VALUES (?, ?, ?, ?, '
                . '?, ?, ?, ?, ?)',
            [
                $record->account, $record->id, $record->collection, ($this->clock)(), $who, $what, $field,
                self::encode($was), self::encode($now),
            ],
        );
    }

    private static function encode(mixed $value): string
    {
        return json_encode($value, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }
}
