<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

use Standins\PracticeSwitch\Record;
use Standins\PracticeSwitch\Records;
use Standins\PracticeSwitch\Vocabulary;

/** All an account holds at one moment, as a call needs it. */
final class Holdings
{
    /** @var array<string, array<string, Part>> bodies by collection and id, in the order they were made */
    private array $bodies = [];

    /** @param list<Record> $records */
    private function __construct(array $records)
    {
        foreach ($records as $record) {
            $this->bodies[$record->collection][$record->id] = new Part($record->body);
        }
    }

    public static function of(Records $records, string $account): self
    {
        return new self($records->all($account));
    }

    public function account(): Part
    {
        return array_values($this->bodies[Vocabulary::ACCOUNT] ?? [])[0] ?? new Part([]);
    }

    public function accountId(): string
    {
        return (string) array_key_first($this->bodies[Vocabulary::ACCOUNT] ?? []);
    }

    /** @return array<string, Part> by id */
    public function all(string $collection): array
    {
        return $this->bodies[$collection] ?? [];
    }

    /** What a word of a place stands for; a record that has gone is one of which nothing is set. */
    public function at(Place $place): Part
    {
        return $this->in(Vocabulary::PLACES[$place->word] ?? '', $place->id);
    }

    public function in(string $collection, ?string $id): Part
    {
        return $this->bodies[$collection][$id ?? ''] ?? new Part([]);
    }

    /** @return ?array{string, Part} id and body */
    public function lineOf(string $digits): ?array
    {
        foreach ($this->all('lines') as $id => $line) {
            if ($line->text('digits') === $digits) {
                return [$id, $line];
            }
        }

        return null;
    }

    /**
     * @return array<string, list<Place>> who answers to each short number, the first of them the one that dialling
     *     reaches
     */
    public function shorts(): array
    {
        return $this->shortsOf('person', 'band', 'greeter', 'box', 'socket', 'party', 'table');
    }

    /** @return array<string, list<Place>> the same as somebody in the house dials: bays and horns behind the rest */
    public function shortsInside(): array
    {
        return $this->shortsOf('person', 'band', 'greeter', 'box', 'socket', 'party', 'table', 'bay', 'horn');
    }

    /** @return array<string, list<Place>> */
    private function shortsOf(string ...$words): array
    {
        $shorts = [];
        foreach ($words as $word) {
            foreach ($this->all(Vocabulary::PLACES[$word]) as $id => $body) {
                if ($body->text('short') !== null) {
                    $shorts[$body->text('short')][] = new Place($word, $id);
                }
            }
        }

        return $shorts;
    }

    /** The premises something is at: its own, or of a box those of whose it is. */
    public function premisesOf(Place $place): ?string
    {
        $owner = $place->is('box') ? $this->at($place)->text('person') : null;

        return $owner === null
            ? $this->at($place)->text('at_premises')
            : $this->in('persons', $owner)->text('at_premises');
    }

    /** By which clock something reads its hours: its own, else its premises', else the account's. */
    public function clockOf(?Part $body): string
    {
        return $body?->text('clock')
            ?? $this->in('premises', $body?->text('at_premises'))->text('clock')
            ?? $this->account()->text('clock')
            ?? 'UTC';
    }

    /** How long a recording speaks, in seconds: its sound, or its words at 150 a minute. */
    public function length(?string $recording): int
    {
        $body = $this->in('recordings', $recording);
        $sound = $body->part('sound');
        if ($sound !== null) {
            return $sound->wholeSeconds('seconds');
        }
        $words = preg_match_all('/\S+/u', $body->text('text') ?? '');

        return intdiv((int) $words * 2 + 4, 5);
    }
}
