<?php

declare(strict_types=1);

namespace App\Switching\Table;

use App\Switching\Table\Fields\FieldCodec;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;

/** The words of one kind of switch: what its records are called, and how each field of ours stands in them. */
interface Dialect
{
    /** @return list<Kind> kinds it has records of, the customer's own left out, owners before mailboxes */
    public function held(): array;

    /** @return array<string, FieldCodec> by our field; none for a kind it has no records of */
    public function of(Kind $kind): array;

    /** @return array<string, mixed> what names a new record beside its fields */
    public function named(Reference $object): array;

    /**
     * By what a record can be told that nothing is bound to yet.
     *
     * @param  array<string, mixed>  $fields
     */
    public function marks(Kind $kind, array $fields): Marks;

    /** @return array<string, mixed> the record's fields for a secret */
    public function secret(string $field, string $value): array;
}
