<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Tenant;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Identity\NameBasedUuid;

/** A template and its answers made into a book. Expanding twice gives the same objects with the same ids. */
final readonly class Expansion
{
    /** @param array<string, string> $origins by reference of the object made */
    private function __construct(public Book $book, public array $origins)
    {
    }

    /**
     * @param  string  $tenantId  UUID
     * @param  string  $application  names this use of the template at the customer
     *
     * @throws UnusableTemplate when the template makes something no book can hold
     */
    public static function of(Template $template, Answers $answers, string $tenantId, string $application): self
    {
        $parent = NameBasedUuid::of($tenantId, $application);
        try {
            $tenant = Tenant::read(self::node($answers->fill($template->tenant, 'tenant'), 'tenant', $tenantId));
            $objects = [];
            $origins = [];
            foreach ($template->objects as $made) {
                $path = "objects.{$made['origin']}";
                $object = $made['kind']->read(self::node($answers->fill($made['fields'], $path), $path, NameBasedUuid::of($parent, $made['origin'])));
                $objects[] = $object;
                $origins["{$made['kind']->value}:{$object->key()}"] = $made['origin'];
            }
            $book = Book::of($tenant, $objects);
            $book->checkReferences();
        } catch (UnusableBook $fault) {
            throw UnusableTemplate::broken("template {$template->key}", $fault);
        }

        return new self($book, $origins);
    }

    private static function node(mixed $fields, string $path, string $id): Node
    {
        return Node::of(is_array($fields) ? ['id' => $id] + $fields : $fields, $path);
    }
}
