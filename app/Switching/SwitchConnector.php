<?php

declare(strict_types=1);

namespace App\Switching;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Prompts\SoundFormat;
use Jaunty\Core\Provisioning\Granularity;

/**
 * One kind of switch, in the book's terms. Each write is idempotent by its key: sent twice, done once.
 * Every method may throw SwitchTrouble: temporary (try again) or final.
 */
interface SwitchConnector
{
    /** Names the connector in bindings and snapshots. */
    public function name(): string;

    public function granularity(): Granularity;

    /** What recordings have to be for it to play them. */
    public function plays(): SoundFormat;

    /** The book without the objects the switch has no place for. */
    public function carried(Book $book): Book;

    /**
     * What was read of the switch as it stands beside another book than the one it was read with: fields and objects
     * the switch does not carry are that book's, so that they never differ.
     */
    public function beside(Book $live, Book $book): Book;

    /**
     * Everything the switch holds of a customer, paired with the book. Fields the switch does not carry are taken from
     * the book, so that they never differ.
     *
     * @return ?Reading null where the switch does not know the customer
     *
     * @throws SwitchTrouble
     */
    public function read(Book $book, Bindings $bindings): ?Reading;

    /**
     * @param  array<string, mixed>  $fields  top-level fields in canonical form
     *
     * @throws SwitchTrouble
     */
    public function create(
        Book $book,
        Bindings $bindings,
        Reference $object,
        array $fields,
        string $key,
        string $actingFor,
    ): Bound;

    /**
     * @param  array<string, mixed>  $fields  only these are sent
     * @param  array<string, mixed>  $expected  what they held when the run sheet was made; changed meanwhile is final
     *     trouble
     *
     * @throws SwitchTrouble
     */
    public function update(
        Book $book,
        Bindings $bindings,
        Reference $object,
        array $fields,
        array $expected,
        string $key,
        string $actingFor,
    ): Bound;

    /**
     * Deletes the object; one that is gone already is no trouble.
     *
     * @throws SwitchTrouble
     */
    public function delete(Bindings $bindings, Reference $object, string $key, string $actingFor): void;

    /**
     * Calls that were made, in the order the switch wrote them down.
     *
     * @param  int  $after  the switch's number of the last call that is known; 0 for none
     *
     * @throws SwitchTrouble
     */
    public function calls(Book $book, Bindings $bindings, int $after): CallPage;

    /**
     * Tells the switch a secret, which it takes and never tells again.
     *
     * @throws SwitchTrouble
     */
    public function setSecret(
        Book $book,
        Bindings $bindings,
        Reference $object,
        string $field,
        string $value,
        string $key,
        string $actingFor,
    ): void;
}
