<?php

declare(strict_types=1);

namespace App\Switching\Table;

use App\Switching\Bindings;
use App\Switching\Bound;
use App\Switching\CallPage;
use App\Switching\LiveEdit;
use App\Switching\Reading;
use App\Switching\SwitchSession;
use App\Switching\SwitchTrouble;
use App\Switching\Table\Fields\FieldCodec;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Tenant;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Change\Value;
use Jaunty\Core\Provisioning\Capabilities;

/** One customer at a switch that keeps records: each object a record, each field by the switch's dialect. */
final readonly class TableSession implements SwitchSession
{
    private Names $names;

    public function __construct(
        private Dialect $dialect,
        private Records $records,
        private Capabilities $capabilities,
        private Book $book,
        private Bindings $bindings,
        private string $actingFor,
    ) {
        $this->names = new Names($bindings);
    }

    public function read(): ?Reading
    {
        $account = $this->account();
        if ($account === null) {
            return null;
        }
        $records = [[Kind::Tenant, $account]];
        foreach ($this->dialect->held() as $kind) {
            foreach ($this->records->all($account->id, $kind) as $record) {
                $records[] = [$kind, $record];
            }
        }
        $found = Pairing::of($this->book, $this->bindings, $this->dialect, $records);
        $names = new Names($found);
        [$tenant, $objects] = [$this->book->tenant, []];
        foreach ($records as [, $record]) {
            $reference = $found->called($record->id);
            $object = $reference === null ? null : $this->object($reference, $record, $names);
            if ($object instanceof Tenant) {
                $tenant = $object;
            } elseif ($object !== null) {
                $objects[] = $object;
            }
        }
        $live = $this->capabilities->beside(Book::of($tenant, $objects), $this->book);

        return new Reading($live, $found, $this->edits($account->id, $found));
    }

    public function create(Reference $object, array $fields, string $key): Bound
    {
        $record = $this->written($object, $fields) + $this->dialect->named($object);
        $made = $this->records->create(
            $object->kind === Kind::Tenant ? null : $this->accountId(),
            $object,
            $record,
            new Errand($key, $this->actingFor),
        );

        return new Bound($made->id, $made->version);
    }

    public function update(Reference $object, array $fields, array $expected, string $key): Bound
    {
        $bound = $this->bindings->of($object) ?? throw SwitchTrouble::notBound((string) $object);
        $record = $this->written($object, $fields);
        if ($record === []) {
            return $bound;
        }
        $errand = new Errand($key, $this->actingFor);
        $account = $this->accountId();
        $changed = new LiveRecord($bound->externalId, $bound->version ?? '0', $record);
        try {
            $is = $this->records->change($account, $object->kind, $changed, $errand);
        } catch (StaleRecord) {
            $found = $this->records->get($account, $object->kind, $bound->externalId);
            $this->refuseIfChanged($this->object($object, $found, $this->names), $fields, $expected);
            $is = $this->records->change(
                $account,
                $object->kind,
                new LiveRecord($found->id, $found->version, $record),
                $errand->at($found->version),
            );
        } catch (RecordGone) {
            throw SwitchTrouble::notBound((string) $object);
        }

        return new Bound($is->id, $is->version);
    }

    public function delete(Reference $object, string $key): void
    {
        $bound = $this->bindings->of($object);
        if ($bound === null) {
            return;
        }
        try {
            $errand = new Errand($key, $this->actingFor);
            $this->records->remove($this->accountId(), $object->kind, $bound->externalId, $errand);
        } catch (RecordGone) {
            // Somebody was quicker: it is gone, as wanted.
        }
    }

    public function calls(int $after): CallPage
    {
        $account = $this->account();

        return $account === null
            ? new CallPage([], null)
            : $this->records->calls($account->id, $this->bindings, $after);
    }

    public function telephones(): ?array
    {
        $account = $this->account();

        return $account === null ? [] : $this->records->telephones($account->id, $this->bindings);
    }

    public function setSecret(Reference $object, string $field, string $value, string $key): void
    {
        $bound = $this->bindings->of($object) ?? throw SwitchTrouble::notBound((string) $object);
        $account = $this->accountId();
        try {
            $version = $this->records->get($account, $object->kind, $bound->externalId)->version;
            // How strong it is goes with it as the book has it: a switch may judge for itself.
            $ours = $this->book->find($object)?->toArray() ?? [];
            $strength = $this->written($object, array_intersect_key($ours, [$field => true]));
            $record = new LiveRecord(
                $bound->externalId,
                $version,
                $this->dialect->secret($field, $value) + $strength,
            );
            $errand = (new Errand($key, $this->actingFor))->at($version);
            $this->records->change($account, $object->kind, $record, $errand);
        } catch (StaleRecord) {
            throw SwitchTrouble::busy(1);
        } catch (RecordGone) {
            throw SwitchTrouble::notBound((string) $object);
        }
    }

    private function account(): ?LiveRecord
    {
        $tenant = $this->book->tenant;

        return $this->records->account($this->bindings->of(Reference::of($tenant))?->externalId, $tenant->key);
    }

    private function accountId(): string
    {
        $tenant = Reference::of($this->book->tenant);

        return $this->bindings->of($tenant)->externalId ?? throw SwitchTrouble::notBound((string) $tenant);
    }

    /**
     * @param  array<string, mixed>  $fields  ours
     * @return array<string, mixed> the record's, as much as the switch can hold
     */
    private function written(Reference $object, array $fields): array
    {
        $ours = $this->book->find($object);
        $held = $this->capabilities->held($this->book, $object);
        if ($ours !== null && $held !== null && $held !== $ours) {
            $whole = $ours->toArray();
            foreach (array_intersect_key($held->toArray(), $fields) as $field => $value) {
                $fields[$field] = Value::same($fields[$field], $whole[$field]) ? $value : $fields[$field];
            }
        }
        $record = [];
        foreach ($this->dialect->of($object->kind) as $our => $codec) {
            if (array_key_exists($our, $fields)) {
                $record += $codec->toSwitch($fields[$our], $this->names);
            }
        }

        return $record;
    }

    private function object(Reference $reference, LiveRecord $record, Names $names): BookObject
    {
        $ours = $this->book->find($reference);
        $base = $ours === null ? ['key' => $reference->key] : ['id' => $ours->id()] + $ours->toArray();
        try {
            $fields = array_replace($base, array_map(
                static fn (FieldCodec $codec): mixed => $codec->fromSwitch($record->fields, $names),
                $this->dialect->of($reference->kind),
            ));
            if ($ours instanceof Tenant && ! is_string($fields['zone'] ?? null)) {
                $fields['zone'] = $ours->zone;
            }

            return $reference->kind->read(Node::of($fields, "live {$reference}"));
        } catch (UnusableBook $fault) {
            throw SwitchTrouble::unreadable($ours?->label() ?? (string) $reference, $fault->getMessage());
        }
    }

    /** @return list<LiveEdit> */
    private function edits(string $account, Bindings $found): array
    {
        $edits = [];
        foreach ($this->records->edits($account) as $edit) {
            $object = $found->called($edit->record);
            $field = $object === null ? null : $this->ourField($object->kind, $edit->field);
            if ($object !== null && $field !== null) {
                $edits[] = new LiveEdit((string) $object, $field, $edit->at, $edit->by);
            }
        }

        return $edits;
    }

    /** Which of our fields a field of the record belongs to. */
    private function ourField(Kind $kind, string $their): ?string
    {
        foreach ($this->dialect->of($kind) as $our => $codec) {
            if (in_array($their, $codec->theirs(), true)) {
                return $our;
            }
        }

        return null;
    }

    /**
     * @param  array<string, mixed>  $fields
     * @param  array<string, mixed>  $expected
     */
    private function refuseIfChanged(BookObject $live, array $fields, array $expected): void
    {
        $changed = [];
        $is = $this->capabilities->asOurs($live, $this->book)->toArray();
        foreach (array_intersect_key($is, $expected) as $field => $value) {
            $isAsWanted = Value::same($value, $fields[$field] ?? null);
            if (! $isAsWanted && ! Value::same($value, $expected[$field])) {
                $changed[] = $field;
            }
        }
        if ($changed !== []) {
            throw SwitchTrouble::changedMeanwhile($changed);
        }
    }
}
