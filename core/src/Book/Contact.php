<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Somebody outside the company whom the directory knows. */
final readonly class Contact implements BookObject
{
    use NamedObject;

    /** @param list<array{item: string, number: string}> $phones in E.164 */
    private function __construct(public string $key, public ?string $id, public string $name, public ?string $organisation, public ?string $email, public array $phones)
    {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'name', 'organisation', 'email', 'phones');

        return new self(
            $node->slug('key'),
            $node->id(),
            $node->text('name', $node->text('key')),
            $node->textOrNull('organisation'),
            $node->textOrNull('email'),
            $node->items('phones', self::readPhone(...)),
        );
    }

    public function kind(): Kind
    {
        return Kind::Contact;
    }

    public function toArray(): array
    {
        return ['key' => $this->key, 'name' => $this->name, 'organisation' => $this->organisation, 'email' => $this->email, 'phones' => $this->phones];
    }

    public function links(): array
    {
        return [];
    }

    /** @return array{item: string, number: string} */
    private static function readPhone(Node $node): array
    {
        $node->allow('item', 'number');

        return ['item' => $node->slug('item'), 'number' => $node->phone('number')];
    }
}
