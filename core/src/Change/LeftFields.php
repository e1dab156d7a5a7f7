<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Fields\Catalogue;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Tenant;

/**
 * Fields that are the customer's own to change on the switch: what is live there is taken over and shown, and is no
 * drift. Each is a kind and a path, such as `user.handling/open/always`; `*` stands for any item of a list.
 */
final readonly class LeftFields
{
    /** @param list<string> $fields */
    private function __construct(private array $fields)
    {
    }

    /** As the customer's book says, else the usual ones. */
    public static function of(Tenant $tenant): self
    {
        return new self($tenant->leftToCustomer ?? Catalogue::left());
    }

    /** @param ?string $path of a field, or of something in it; null for a whole object */
    public function has(Kind $kind, ?string $path): bool
    {
        foreach ($path === null ? [] : $this->fields as $field) {
            [$of, $left] = explode('.', $field, 2) + [1 => ''];
            if ($of === $kind->value && self::leads($left, (string) $path)) {
                return true;
            }
        }

        return false;
    }

    /** The book to compare and compute with: fields left to the customer are as they are live. */
    public function taken(Book $book, Book $live): Book
    {
        return ChangeSet::of(...$this->differences($book, $live))->applyTo($book);
    }

    /** @return list<Operation> what book and live differ in that is the customer's own */
    public function differences(Book $book, Book $live): array
    {
        return array_values(array_filter(
            Diff::between($book, $live)->operations,
            fn (Operation $operation): bool => $operation->kind === OperationKind::Set
                && $this->has($operation->object->kind, $operation->path),
        ));
    }

    private static function leads(string $left, string $path): bool
    {
        $steps = explode('/', $path);
        foreach (explode('/', $left) as $place => $step) {
            if (! isset($steps[$place]) || ($step !== '*' && $step !== $steps[$place])) {
                return false;
            }
        }

        return true;
    }
}
