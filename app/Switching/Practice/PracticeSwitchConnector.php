<?php

declare(strict_types=1);

namespace App\Switching\Practice;

use App\Switching\Bindings;
use App\Switching\Bound;
use App\Switching\CallPage;
use App\Switching\LiveEdit;
use App\Switching\Practice\Fields\Ringers;
use App\Switching\Reading;
use App\Switching\SwitchConnector;
use App\Switching\SwitchTrouble;
use Illuminate\Support\Sleep;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Tenant;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Change\Value;
use Jaunty\Core\Prompts\SoundFormat;
use Jaunty\Core\Provisioning\Granularity;

/** The practice switch, in the book's terms. */
final readonly class PracticeSwitchConnector implements SwitchConnector
{
    private const LONGEST_PROMPT_SECONDS = 600;

    private const LOOKS_AT_A_JOB = 4;

    private const JOB_WAIT_MS = 250;

    public function __construct(private SwitchApi $api)
    {
    }

    public function name(): string
    {
        return 'practice-switch';
    }

    public function granularity(): Granularity
    {
        return new Granularity(ringSeconds: Ringers::RING_SECONDS);
    }

    public function carried(Book $book): Book
    {
        return Book::of($book->tenant, array_filter(
            $book->objects(),
            static fn (BookObject $object): bool => Translation::collection($object->kind()) !== null,
        ));
    }

    public function beside(Book $live, Book $book): Book
    {
        $beside = Book::of($this->withFieldsOf($live->tenant, $book->tenant), []);
        foreach ($this->carried($live)->objects() as $object) {
            $ours = $book->find(Reference::of($object));
            $beside = $beside->with($ours === null ? $object : $this->withFieldsOf($object, $ours));
        }
        foreach ($book->objects() as $object) {
            $beside = Translation::collection($object->kind()) === null ? $beside->with($object) : $beside;
        }

        return $beside;
    }

    public function plays(): SoundFormat
    {
        return SoundFormat::telephone(self::LONGEST_PROMPT_SECONDS);
    }

    public function read(Book $book, Bindings $bindings): ?Reading
    {
        $account = $this->account($book, $bindings);
        if ($account === null) {
            return null;
        }
        $path = '/v1/accounts/' . (
            is_string($account['id'] ?? null) ? $account['id'] : throw SwitchTrouble::refused('its account has no id')
        );
        $records = [[Kind::Tenant, $account]];
        foreach (Translation::carried() as $kind) {
            foreach ($this->api->all("{$path}/" . Translation::collection($kind)) as $record) {
                $records[] = [$kind, $record];
            }
        }
        $found = Pairing::of($book, $bindings, $records);
        $names = new Names($found);
        $live = Book::of($book->tenant, []);
        foreach ($records as [, $record]) {
            $reference = $found->called(is_string($record['id'] ?? null) ? $record['id'] : '');
            if ($reference !== null) {
                $live = $live->with($this->object($book, $reference, $record, $names));
            }
        }

        return new Reading($this->beside($live, $book), $found, $this->edits($path, $found));
    }

    public function calls(Book $book, Bindings $bindings, int $after): CallPage
    {
        $account = $this->account($book, $bindings);
        if (! is_string($account['id'] ?? null)) {
            return new CallPage([], null);
        }
        $page = $this->api->get("/v1/accounts/{$account['id']}/tickets", ['after' => (string) $after]);
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

    public function create(
        Book $book,
        Bindings $bindings,
        Reference $object,
        array $fields,
        string $key,
        string $actingFor,
    ): Bound {
        $record = Translation::toSwitch($object->kind, $fields, new Names($bindings));
        if ($object->kind === Kind::Tenant) {
            $record['handle'] = $object->key;
        } elseif ($object->kind === Kind::Number) {
            $record['digits'] = ltrim($object->key, '+');
        }
        $path = $object->kind === Kind::Tenant
            ? '/v1/accounts'
            : $this->collectionPath($bindings, $book, $object->kind);

        $made = $this->api->post($path, $record, $key, $actingFor);
        if (is_string($made['job'] ?? null)) {
            $this->awaitJob($this->accountPath($bindings, $book) . "/jobs/{$made['job']}", $object);
        }

        return $this->bound($made);
    }

    public function update(
        Book $book,
        Bindings $bindings,
        Reference $object,
        array $fields,
        array $expected,
        string $key,
        string $actingFor,
    ): Bound {
        $bound = $bindings->of($object) ?? throw SwitchTrouble::notBound((string) $object);
        $path = $this->recordPath($bindings, $book, $object, $bound);
        $names = new Names($bindings);
        $body = Translation::toSwitch($object->kind, $fields, $names);
        if ($body === []) {
            return $bound;
        }
        try {
            return $this->bound($this->api->patch($path, $body, $bound->version ?? '0', $key, $actingFor));
        } catch (StaleRecord) {
            $record = $this->api->get($path);
            $this->refuseIfChanged($this->object($book, $object, $record, $names), $fields, $expected);
            $version = (string) (is_int($record['version'] ?? null) ? $record['version'] : 0);

            return $this->bound($this->api->patch($path, $body, $version, "{$key}-at-{$version}", $actingFor));
        } catch (RecordGone) {
            throw SwitchTrouble::notBound((string) $object);
        }
    }

    public function setSecret(
        Book $book,
        Bindings $bindings,
        Reference $object,
        string $field,
        string $value,
        string $key,
        string $actingFor,
    ): void {
        $bound = $bindings->of($object) ?? throw SwitchTrouble::notBound((string) $object);
        $path = $this->recordPath($bindings, $book, $object, $bound);
        try {
            $version = $this->api->get($path)['version'] ?? 0;
            // How strong it is goes with it as the book has it: this switch would judge for itself.
            $strength = Translation::toSwitch(
                $object->kind,
                array_intersect_key($book->find($object)?->toArray() ?? [], [$field => true]),
                new Names($bindings),
            );
            $this->api->patch(
                $path,
                ['lock_code' => $value] + $strength,
                (string) (is_int($version) ? $version : 0),
                "{$key}-at-" . (is_int($version) ? $version : 0),
                $actingFor,
            );
        } catch (StaleRecord) {
            throw SwitchTrouble::busy(1);
        } catch (RecordGone) {
            throw SwitchTrouble::notBound((string) $object);
        }
    }

    public function delete(Bindings $bindings, Reference $object, string $key, string $actingFor): void
    {
        $bound = $bindings->of($object);
        if ($bound === null) {
            return;
        }
        try {
            $this->api->delete($this->recordPath($bindings, null, $object, $bound), $key, $actingFor);
        } catch (RecordGone) {
            // Somebody was quicker: it is gone, as wanted.
        }
    }

    /**
     * Sent again under the same key, a creation names the same job: what is under way is waited for, not begun anew.
     */
    private function awaitJob(string $path, Reference $object): void
    {
        for ($look = 1; ($this->api->get($path)['state'] ?? null) !== 'done'; $look++) {
            if ($look === self::LOOKS_AT_A_JOB) {
                throw SwitchTrouble::activating((string) $object);
            }
            Sleep::for(self::JOB_WAIT_MS)->milliseconds();
        }
    }

    /** @return ?array<string, mixed> */
    private function account(Book $book, Bindings $bindings): ?array
    {
        $bound = $bindings->of(Reference::of($book->tenant));
        if ($bound !== null) {
            try {
                return $this->api->get("/v1/accounts/{$bound->externalId}");
            } catch (RecordGone) {
                // An account made anew by hand keeps its handle.
            }
        }
        $rows = $this->api->get('/v1/accounts', ['handle' => $book->tenant->key])['rows'] ?? null;
        $first = is_array($rows) ? ($rows[0] ?? null) : null;

        /** @var ?array<string, mixed> $first */
        return $first;
    }

    /** @param array<string, mixed> $record */
    private function object(Book $book, Reference $reference, array $record, Names $names): BookObject
    {
        $ours = $book->find($reference);
        $base = $ours === null ? ['key' => $reference->key] : ['id' => $ours->id()] + $ours->toArray();
        try {
            return $this->readAs($book, $reference, array_replace(
                $base,
                Translation::fromSwitch($reference->kind, $record, $names),
            ));
        } catch (UnusableBook $fault) {
            throw SwitchTrouble::unreadable($ours?->label() ?? (string) $reference, $fault->getMessage());
        }
    }

    /** @param array<string, mixed> $fields */
    private function readAs(Book $book, Reference $reference, array $fields): BookObject
    {
        $ours = $book->find($reference);
        if ($reference->kind === Kind::Tenant && $ours instanceof Tenant && ! is_string($fields['zone'] ?? null)) {
            $fields['zone'] = $ours->zone;
        }

        return $reference->kind->read(Node::of($fields, "live {$reference}"));
    }

    /**
     * @template T of BookObject
     *
     * @param  T  $live
     * @return T
     */
    private function withFieldsOf(BookObject $live, BookObject $ours): BookObject
    {
        $carried = array_intersect_key($live->toArray(), Translation::fields($live->kind()));
        $object = $live->kind()->read(
            Node::of(array_replace(['id' => $ours->id()] + $ours->toArray(), $carried), 'live ' . Reference::of($live)),
        );

        return $object instanceof $live ? $object : throw new \LogicException('a kind reads its own objects');
    }

    /** @return list<LiveEdit> */
    private function edits(string $path, Bindings $found): array
    {
        $edits = [];
        $rows = $this->api->get("{$path}/edits")['rows'] ?? [];
        foreach (is_array($rows) ? $rows : [] as $row) {
            $object = is_array($row) && is_string($row['record'] ?? null) ? $found->called($row['record']) : null;
            if ($object === null || ! is_array($row) || ! is_string($row['field'] ?? null) || ! is_int(
                $row['stamp'] ?? null,
            )) {
                continue;
            }
            $field = Translation::ourField($object->kind, $row['field']);
            if ($field !== null) {
                $edits[] = new LiveEdit(
                    (string) $object,
                    $field,
                    new \DateTimeImmutable("@{$row['stamp']}"),
                    is_string($row['who'] ?? null) ? $row['who'] : 'unknown',
                );
            }
        }

        return $edits;
    }

    /**
     * @param  array<string, mixed>  $fields
     * @param  array<string, mixed>  $expected
     */
    private function refuseIfChanged(BookObject $live, array $fields, array $expected): void
    {
        $changed = [];
        foreach (array_intersect_key($live->toArray(), $expected) as $field => $value) {
            $isAsWanted = Value::same($value, $fields[$field] ?? null);
            if (! $isAsWanted && ! Value::same($value, $expected[$field])) {
                $changed[] = $field;
            }
        }
        if ($changed !== []) {
            throw SwitchTrouble::changedMeanwhile($changed);
        }
    }

    private function collectionPath(Bindings $bindings, ?Book $book, Kind $kind): string
    {
        return $this->accountPath($bindings, $book) . '/' . Translation::collection($kind);
    }

    private function recordPath(Bindings $bindings, ?Book $book, Reference $object, Bound $bound): string
    {
        return $object->kind === Kind::Tenant
            ? "/v1/accounts/{$bound->externalId}"
            : $this->collectionPath($bindings, $book, $object->kind) . "/{$bound->externalId}";
    }

    private function accountPath(Bindings $bindings, ?Book $book): string
    {
        foreach ($bindings->all() as $reference => $bound) {
            if (str_starts_with($reference, 'tenant:')) {
                return "/v1/accounts/{$bound->externalId}";
            }
        }
        throw SwitchTrouble::notBound($book === null ? 'the customer' : (string) Reference::of($book->tenant));
    }

    /** @param array<string, mixed> $record */
    private function bound(array $record): Bound
    {
        return new Bound(
            is_string($record['id'] ?? null) ? $record['id'] : throw SwitchTrouble::refused('it named no record'),
            (string) (is_int($record['version'] ?? null) ? $record['version'] : 0),
        );
    }
}
