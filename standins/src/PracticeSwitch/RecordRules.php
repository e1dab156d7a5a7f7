<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch;

use Standins\Shared\Refusal;

/** What the switch lets a record hold. */
final readonly class RecordRules
{
    public function __construct(private Records $records)
    {
    }

    /**
     * @param  array<string, mixed>  $given
     * @return array<string, mixed> the body of a new record, defaults filled in
     *
     * @throws Refusal 422 naming the field
     */
    public function made(?string $account, string $collection, array $given): array
    {
        $fields = Vocabulary::collections()[$collection];
        $this->check($account, $collection, $given, null);
        $body = array_map(static fn (Field $field): mixed => $field->default, $fields);
        foreach (self::locked($collection, $given) as $name => $value) {
            $body[$name] = $value;
        }

        return $body;
    }

    /**
     * @param  array<string, mixed>  $given
     * @return array<string, mixed> the record's body with the given fields put in
     *
     * @throws Refusal 422 naming the field
     */
    public function changed(Record $record, array $given): array
    {
        $this->check($record->account, $record->collection, $given, $record);

        return array_replace($record->body, self::locked($record->collection, $given));
    }

    /**
     * A code is kept to itself: what anybody reads is that it is set, and of a box whether it is easily guessed.
     *
     * @param  array<string, mixed>  $given
     * @return array<string, mixed>
     */
    private static function locked(string $collection, array $given): array
    {
        if (is_string($given['login'] ?? null)) {
            $given['login'] = 'set';
        }
        $code = $given['lock_code'] ?? null;
        if (! is_string($code) || $code === 'set') {
            return $given;
        }
        $isEasy = strlen($code) < 6
            || count(array_unique(str_split($code))) < 3
            || str_contains('01234567890', $code)
            || str_contains('09876543210', $code);

        $tellsEasy = in_array($collection, ['boxes', 'tables'], true);

        return ['lock_code' => 'set'] + $given + ['lock' => $tellsEasy && ! $isEasy ? 2 : 1];
    }

    /** @throws Refusal 409 naming what still points at the record */
    public function refuseWhilePointedAt(Record $record): void
    {
        foreach ($this->records->all($record->account) as $other) {
            if ($record->collection === Vocabulary::ACCOUNT && $other->id !== $record->id) {
                throw new Refusal(409, "the account still holds {$other->collection}/{$other->id}");
            }
            if ($other->id !== $record->id && in_array($record->id, $this->pointers($other), true)) {
                throw new Refusal(409, "{$other->collection}/{$other->id} still points here");
            }
        }
    }

    /** @param array<string, mixed> $given */
    private function check(?string $account, string $collection, array $given, ?Record $record): void
    {
        $fields = Vocabulary::collections()[$collection];
        foreach ($given as $name => $value) {
            $field = $fields[$name] ?? throw new Refusal(422, 'this switch knows no such field', $name);
            if (! $field->takes($value)) {
                throw new Refusal(422, "wants {$field->shape}", $name);
            }
            if ($field->fixed && $record !== null && $value !== $record->body[$name]) {
                throw new Refusal(422, 'cannot be changed once the record is made', $name);
            }
            if ($account !== null) {
                $this->checkPointers($account, $name, $field, $value);
            }
        }
        if ($account !== null && in_array($collection, Vocabulary::SHORT_HOLDERS, true) && is_string(
            $given['short'] ?? null,
        )) {
            $this->refuseTakenShort($account, $given['short'], $record?->id);
        }
    }

    private function checkPointers(string $account, string $name, Field $field, mixed $value): void
    {
        foreach ($field->points === null ? [] : (is_array($value) ? $value : [$value]) as $id) {
            if (is_string($id)) {
                $this->exists($account, (string) $field->points, $id, $name);
            }
        }
        foreach ($this->places($value) as [$collection, $id]) {
            $this->exists($account, $collection, $id, $name);
        }
    }

    private function exists(string $account, string $collection, string $id, string $field): void
    {
        try {
            $this->records->get($account, $collection, $id);
        } catch (Refusal) {
            throw new Refusal(422, "{$collection}/{$id} does not exist", $field);
        }
    }

    private function refuseTakenShort(string $account, string $short, ?string $except): void
    {
        foreach (Vocabulary::SHORT_HOLDERS as $collection) {
            foreach ($this->records->list($account, $collection) as $other) {
                if ($other->id !== $except && ($other->body['short'] ?? null) === $short) {
                    throw new Refusal(422, "{$short} is taken by {$collection}/{$other->id}", 'short');
                }
            }
        }
    }

    /** @return list<string> ids the record points at */
    private function pointers(Record $record): array
    {
        $ids = [];
        foreach (Vocabulary::collections()[$record->collection] as $name => $field) {
            $value = $record->body[$name] ?? null;
            foreach ($field->points === null ? [] : (is_array($value) ? $value : [$value]) as $id) {
                if (is_string($id)) {
                    $ids[] = $id;
                }
            }
            array_push($ids, ...array_column($this->places($value), 1));
        }

        return $ids;
    }

    /** @return list<array{string, string}> collection and id of every place a value names, however deep */
    private function places(mixed $value): array
    {
        if (! is_array($value)) {
            return [];
        }
        $places = [];
        foreach ($value as $word => $inner) {
            $collection = Vocabulary::PLACES[$word] ?? null;
            if ($collection !== null && is_string($inner)) {
                $places[] = [$collection, $inner];
            } else {
                array_push($places, ...$this->places($inner));
            }
        }

        return $places;
    }
}
