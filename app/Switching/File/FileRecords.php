<?php

declare(strict_types=1);

namespace App\Switching\File;

use App\Switching\Bindings;
use App\Switching\CallPage;
use App\Switching\SwitchTrouble;
use App\Switching\Table\Errand;
use App\Switching\Table\LiveRecord;
use App\Switching\Table\RecordEdit;
use App\Switching\Table\RecordGone;
use App\Switching\Table\Records;
use App\Switching\Table\StaleRecord;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;

/**
 * Rows in the sheets of a file for each customer. A row's version is what it says: whoever edits a file by hand need
 * not count anything. A file is written whole or not at all.
 *
 * @phpstan-type Export array{Customer: array<string, mixed>, Sheets: array<string, array<string, array<string,
 *     mixed>>>,
 *     Changes: list<array<string, mixed>>, Sent: array<string, string>, Rows: int}
 */
final readonly class FileRecords implements Records
{
    private const MOST_CHANGES = 500;

    private const MOST_SENT = 5_000;

    public function __construct(private string $directory)
    {
    }

    public function account(?string $id, string $key): ?LiveRecord
    {
        $export = $this->load($id ?? $key) ?? $this->load($key);

        return $export === null ? null : self::row(is_string($export['Customer']['Customer'] ?? null)
            ? $export['Customer']['Customer']
            : $key, $export['Customer']);
    }

    public function all(string $account, Kind $kind): array
    {
        $rows = $this->known($account)['Sheets'][self::sheet($kind)] ?? [];

        return array_map(self::row(...), array_map(strval(...), array_keys($rows)), array_values($rows));
    }

    public function get(string $account, Kind $kind, string $id): LiveRecord
    {
        $export = $this->known($account);
        $row = $kind === Kind::Tenant
            ? $export['Customer']
            : $export['Sheets'][self::sheet($kind)][$id] ?? throw new RecordGone($id);

        return self::row($id, $row);
    }

    public function create(?string $account, Reference $object, array $fields, Errand $errand): LiveRecord
    {
        return $this->writing(
            $account ?? $object->key,
            static function (array $export) use ($object, $fields, $errand): array {
                $sent = $export['Sent'][$errand->key] ?? null;
                if ($object->kind === Kind::Tenant) {
                    $export['Customer'] = $sent === null ? $fields : $export['Customer'];
                    $export['Sent'][$errand->key] = $object->key;

                    return [$export, self::row($object->key, $export['Customer'])];
                }
                $sheet = self::sheet($object->kind);
                $id = $sent ?? "{$sheet}/" . ++$export['Rows'];
                $export['Sheets'][$sheet][$id] ??= $fields;
                $export['Sent'][$errand->key] = $id;

                return [$export, self::row($id, $export['Sheets'][$sheet][$id])];
            },
        );
    }

    public function change(string $account, Kind $kind, LiveRecord $record, Errand $errand): LiveRecord
    {
        return $this->writing($account, static function (array $export) use ($kind, $record, $errand): array {
            $sheet = $kind === Kind::Tenant ? '' : self::sheet($kind);
            $row = $kind === Kind::Tenant
                ? $export['Customer']
                : $export['Sheets'][$sheet][$record->id] ?? throw new RecordGone($record->id);
            if (! isset($export['Sent'][$errand->key])) {
                if (self::row($record->id, $row)->version !== $record->version) {
                    throw new StaleRecord($record->id);
                }
                foreach ($record->fields as $column => $value) {
                    if (($row[$column] ?? null) !== $value) {
                        array_unshift($export['Changes'], [
                            'Row' => $record->id, 'Column' => $column, 'At' => gmdate('Y-m-d\TH:i:s\Z'),
                            'Who' => $errand->actingFor,
                        ]);
                    }
                }
                $row = array_replace($row, $record->fields);
                $export['Sent'][$errand->key] = $record->id;
            }
            if ($kind === Kind::Tenant) {
                $export['Customer'] = $row;
            } else {
                $export['Sheets'][$sheet][$record->id] = $row;
            }

            return [$export, self::row($record->id, $row)];
        });
    }

    public function remove(string $account, Kind $kind, string $id, Errand $errand): void
    {
        if ($kind === Kind::Tenant) {
            @unlink($this->file($account));

            return;
        }
        $this->writing($account, static function (array $export) use ($kind, $id): array {
            $sheet = self::sheet($kind);
            $row = $export['Sheets'][$sheet][$id] ?? throw new RecordGone($id);
            unset($export['Sheets'][$sheet][$id]);

            return [$export, self::row($id, $row)];
        });
    }

    public function edits(string $account): array
    {
        $edits = [];
        foreach ($this->known($account)['Changes'] as $change) {
            $at = is_string($change['At'] ?? null)
                ? \DateTimeImmutable::createFromFormat('Y-m-d\TH:i:sp', $change['At'])
                : false;
            if (is_string($change['Row'] ?? null) && is_string($change['Column'] ?? null) && $at !== false) {
                $who = is_string($change['Who'] ?? null) ? $change['Who'] : 'unknown';
                $edits[] = new RecordEdit($change['Row'], $change['Column'], $at, $who);
            }
        }

        return $edits;
    }

    public function calls(string $account, Bindings $bindings, int $after): CallPage
    {
        throw SwitchTrouble::refused('it writes no calls down');
    }

    public function telephones(string $account, Bindings $bindings): ?array
    {
        return null;
    }

    private static function sheet(Kind $kind): string
    {
        return array_key_exists($kind->value, FileDialect::SHEETS)
            ? FileDialect::SHEETS[$kind->value]
            : throw SwitchTrouble::refused("it has no sheet of {$kind->value}");
    }

    /** @param array<string, mixed> $fields */
    private static function row(string $id, array $fields): LiveRecord
    {
        return new LiveRecord($id, substr(hash('sha256', self::json($fields)), 0, 16), $fields);
    }

    /**
     * @param  callable(Export): array{Export, LiveRecord}  $work
     */
    private function writing(string $account, callable $work): LiveRecord
    {
        $file = $this->file($account);
        if (! is_dir($this->directory) && ! @mkdir($this->directory, 0o700, true) && ! is_dir($this->directory)) {
            throw SwitchTrouble::unreachable("{$this->directory} cannot be made");
        }
        $lock = @fopen("{$file}.lock", 'c');
        if ($lock === false || ! flock($lock, LOCK_EX)) {
            throw SwitchTrouble::unreachable("{$file} cannot be locked");
        }
        try {
            [$export, $record] = $work($this->load($account) ?? [
                'Customer' => [], 'Sheets' => [], 'Changes' => [], 'Sent' => [], 'Rows' => 0,
            ]);
            $export['Changes'] = array_slice($export['Changes'], 0, self::MOST_CHANGES);
            $export['Sent'] = array_slice($export['Sent'], -self::MOST_SENT, null, true);
            if (@file_put_contents("{$file}.new", self::json($export) . "\n") === false
                || ! @rename("{$file}.new", $file)
            ) {
                throw SwitchTrouble::unreachable("{$file} cannot be written");
            }
        } finally {
            fclose($lock);
        }

        return $record;
    }

    /** @return Export */
    private function known(string $account): array
    {
        return $this->load($account) ?? throw new RecordGone($account);
    }

    /** @return ?Export null where there is no file of the customer */
    private function load(string $account): ?array
    {
        $text = @file_get_contents($this->file($account));
        if ($text === false) {
            return null;
        }
        $export = json_decode($text, true);
        foreach (['Customer', 'Sheets', 'Changes', 'Sent'] as $part) {
            if (! is_array($export) || ! is_array($export[$part] ?? null)) {
                throw SwitchTrouble::unreadable($account, "{$this->file($account)} has no readable {$part}");
            }
        }
        $rows = is_int($export['Rows'] ?? null) ? $export['Rows'] : 0;

        /** @var Export */
        return ['Rows' => $rows] + (array) $export;
    }

    private function file(string $account): string
    {
        return preg_match('/^[a-z0-9][a-z0-9.-]*$/D', $account) === 1
            ? "{$this->directory}/{$account}.json"
            : throw SwitchTrouble::refused("{$account} is no name of a file here");
    }

    private static function json(mixed $value): string
    {
        return json_encode(
            $value,
            JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        );
    }
}
