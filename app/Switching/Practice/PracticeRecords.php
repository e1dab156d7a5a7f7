<?php

declare(strict_types=1);

namespace App\Switching\Practice;

use App\Switching\Bindings;
use App\Switching\CallPage;
use App\Switching\SwitchTrouble;
use App\Switching\Table\Errand;
use App\Switching\Table\LiveRecord;
use App\Switching\Table\RecordEdit;
use App\Switching\Table\RecordGone;
use App\Switching\Table\Records;
use Illuminate\Support\Sleep;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Telephones\Heard;

/** The records of the practice switch, asked for over HTTP. */
final readonly class PracticeRecords implements Records
{
    private const LOOKS_AT_A_JOB = 4;

    private const JOB_WAIT_MS = 250;

    public function __construct(private SwitchApi $api)
    {
    }

    public function account(?string $id, string $key): ?LiveRecord
    {
        if ($id !== null) {
            try {
                return self::record($this->api->get("/v1/accounts/{$id}"));
            } catch (RecordGone) {
                // An account made anew by hand keeps its handle.
            }
        }
        $rows = $this->api->get('/v1/accounts', ['handle' => $key])['rows'] ?? null;
        $first = is_array($rows) ? ($rows[0] ?? null) : null;

        return is_array($first) ? self::record(array_filter($first, is_string(...), ARRAY_FILTER_USE_KEY)) : null;
    }

    public function all(string $account, Kind $kind): array
    {
        $collection = Translation::collection($kind);

        return array_map(self::record(...), $this->api->all("/v1/accounts/{$account}/{$collection}"));
    }

    public function get(string $account, Kind $kind, string $id): LiveRecord
    {
        return self::record($this->api->get(self::path($account, $kind, $id)));
    }

    /** Sent again under the same key, a creation names the same job: what is under way is waited for. */
    public function create(?string $account, Reference $object, array $fields, Errand $errand): LiveRecord
    {
        $path = $account === null
            ? '/v1/accounts'
            : "/v1/accounts/{$account}/" . Translation::collection($object->kind);
        $made = $this->api->post($path, $fields, $errand->key, $errand->actingFor);
        if (is_string($made['job'] ?? null)) {
            $this->awaitJob("/v1/accounts/{$account}/jobs/{$made['job']}", $object);
        }

        return self::record($made);
    }

    public function change(string $account, Kind $kind, LiveRecord $record, Errand $errand): LiveRecord
    {
        return self::record($this->api->patch(
            self::path($account, $kind, $record->id),
            $record->fields,
            $record->version,
            $errand->key,
            $errand->actingFor,
        ));
    }

    public function remove(string $account, Kind $kind, string $id, Errand $errand): void
    {
        $this->api->delete(self::path($account, $kind, $id), $errand->key, $errand->actingFor);
    }

    public function edits(string $account): array
    {
        $edits = [];
        $rows = $this->api->get("/v1/accounts/{$account}/edits")['rows'] ?? [];
        foreach (is_array($rows) ? $rows : [] as $row) {
            if (is_array($row)
                && is_string($row['record'] ?? null)
                && is_string($row['field'] ?? null)
                && is_int($row['stamp'] ?? null)
            ) {
                $edits[] = new RecordEdit(
                    $row['record'],
                    $row['field'],
                    new \DateTimeImmutable("@{$row['stamp']}"),
                    is_string($row['who'] ?? null) ? $row['who'] : 'unknown',
                );
            }
        }

        return $edits;
    }

    public function calls(string $account, Bindings $bindings, int $after): CallPage
    {
        $page = $this->api->get("/v1/accounts/{$account}/tickets", ['after' => (string) $after]);
        $tickets = new Tickets($bindings);
        $records = [];
        foreach (is_array($page['rows'] ?? null) ? $page['rows'] : [] as $row) {
            if (is_array($row)) {
                /** @var array<string, mixed> $row */
                [$serial, $record] = $tickets->read($row);
                $records[$serial] = $record;
            }
        }

        return new CallPage($records, is_int($page['next'] ?? null) ? $page['next'] : null);
    }

    /** @return list<Heard> */
    public function telephones(string $account, Bindings $bindings): array
    {
        $heard = [];
        $rows = $this->api->get("/v1/accounts/{$account}/handsets")['rows'] ?? null;
        foreach (is_array($rows) ? $rows : [] as $row) {
            $device = is_array($row) && is_string($row['set'] ?? null) ? $bindings->called($row['set']) : null;
            if (! is_array($row) || $device === null) {
                continue;
            }
            $second = static fn (string $field): ?int => is_int($row[$field] ?? null) ? $row[$field] : null;
            $text = static fn (string $field): ?string => is_string($row[$field] ?? null) ? $row[$field] : null;
            $heard[] = new Heard(
                (string) $device,
                $second('since'),
                $second('lost'),
                $second('refused'),
                $text('firmware'),
                $text('address'),
                ($row['current'] ?? 0) === 1,
            );
        }

        return $heard;
    }

    private function awaitJob(string $path, Reference $object): void
    {
        for ($look = 1; ($this->api->get($path)['state'] ?? null) !== 'done'; $look++) {
            if ($look === self::LOOKS_AT_A_JOB) {
                throw SwitchTrouble::activating((string) $object);
            }
            Sleep::for(self::JOB_WAIT_MS)->milliseconds();
        }
    }

    private static function path(string $account, Kind $kind, string $id): string
    {
        return $kind === Kind::Tenant
            ? "/v1/accounts/{$account}"
            : "/v1/accounts/{$account}/" . Translation::collection($kind) . "/{$id}";
    }

    /** @param array<string, mixed> $record */
    private static function record(array $record): LiveRecord
    {
        return new LiveRecord(
            is_string($record['id'] ?? null) ? $record['id'] : throw SwitchTrouble::refused('it named no record'),
            (string) (is_int($record['version'] ?? null) ? $record['version'] : 0),
            $record,
        );
    }
}
