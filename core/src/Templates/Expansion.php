<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Tenant;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Identity\NameBasedUuid;
use Jaunty\Core\Provisioning\Granularity;

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
            $tenant = Tenant::read(
                self::node(Filling::of($template->tenant, $answers->said, 'tenant'), 'tenant', $tenantId),
            );
            $made = [];
            foreach (self::made($template->objects, $answers->said, '', $parent) as $origin => $object) {
                $made[$origin] = $object;
            }
            $book = Book::of($tenant, array_values($made));
            $book->checkReferences();
        } catch (UnusableBook $fault) {
            throw UnusableTemplate::broken("template {$template->key}", $fault);
        }
        $origins = [];
        foreach ($made as $origin => $object) {
            $origins[(string) Reference::of($object)] = $origin;
        }

        return new self($book, $origins);
    }

    /** The same with times as the switch can store them. */
    public function fittedTo(Granularity $granularity): self
    {
        return new self($granularity->fit($this->book), $this->origins);
    }

    /**
     * The same with some numbers that are another carrier's still.
     *
     * @param  list<string>  $numbers  in E.164
     */
    public function withComingOver(array $numbers): self
    {
        $book = $this->book;
        foreach ($book->all(Number::class) as $number) {
            if (in_array($number->key, $numbers, true)) {
                $book = $book->with(Number::read(Node::of(
                    ['id' => $number->id, 'status' => NumberStatus::PortingIn->value] + $number->toArray(),
                )));
            }
        }

        return new self($book, $this->origins);
    }

    /**
     * @param  list<MadeObject|Repetition>  $objects
     * @return iterable<string, BookObject> by origin
     */
    private static function made(array $objects, Said $said, string $row, string $parent): iterable
    {
        foreach ($objects as $each) {
            $where = $each instanceof MadeObject ? "objects.{$each->origin}" : 'objects.each';
            if ($each->when !== null && ! $each->when->holds($said, $where)) {
                continue;
            }
            if ($each instanceof Repetition) {
                foreach (Filling::turns($each->over, $said, $where) as $key => $turn) {
                    yield from self::made($each->objects, $turn, "{$row}/{$key}", $parent);
                }

                continue;
            }
            $origin = $each->origin . $row;
            $path = "objects.{$origin}";
            yield $origin => $each->kind->read(
                self::node(Filling::of($each->fields, $said, $path), $path, NameBasedUuid::of($parent, $origin)),
            );
        }
    }

    private static function node(mixed $fields, string $path, string $id): Node
    {
        return Node::of(is_array($fields) ? ['id' => $id] + $fields : $fields, $path);
    }
}
