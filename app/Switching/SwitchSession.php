<?php

declare(strict_types=1);

namespace App\Switching;

use Jaunty\Core\Book\Reference;
use Jaunty\Core\Telephones\Heard;

/**
 * One customer at one switch, with the book that says what its objects are and the bindings known so far. Each write is
 * idempotent by its key: sent twice, done once. Every method may throw SwitchTrouble: temporary (try again) or final.
 */
interface SwitchSession
{
    /**
     * Everything the switch holds of the customer, paired with the book. What the switch has no place for is taken from
     * the book, so that it never differs.
     *
     * @return ?Reading null where the switch does not know the customer
     *
     * @throws SwitchTrouble
     */
    public function read(): ?Reading;

    /**
     * @param  array<string, mixed>  $fields  top-level fields in canonical form
     *
     * @throws SwitchTrouble
     */
    public function create(Reference $object, array $fields, string $key): Bound;

    /**
     * @param  array<string, mixed>  $fields  only these are sent
     * @param  array<string, mixed>  $expected  what they held when the run sheet was made; changed meanwhile is final
     *     trouble
     *
     * @throws SwitchTrouble
     */
    public function update(Reference $object, array $fields, array $expected, string $key): Bound;

    /**
     * Deletes the object; one that is gone already is no trouble.
     *
     * @throws SwitchTrouble
     */
    public function delete(Reference $object, string $key): void;

    /**
     * Calls that were made, in the order the switch wrote them down.
     *
     * @param  int  $after  the switch's number of the last call that is known; 0 for none
     *
     * @throws SwitchTrouble
     */
    public function calls(int $after): CallPage;

    /**
     * Telephones of the customer as the switch last heard of each.
     *
     * @return ?list<Heard> null where the switch cannot tell
     *
     * @throws SwitchTrouble
     */
    public function telephones(): ?array;

    /**
     * Tells the switch a secret, which it takes and never tells again.
     *
     * @throws SwitchTrouble
     */
    public function setSecret(Reference $object, string $field, string $value, string $key): void;
}
