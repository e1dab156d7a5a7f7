<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** People reported on together; says nothing about calls. */
final readonly class Team implements BookObject
{
    use NamedObject;

    /** @param list<array{item: string, who: Reference}> $members */
    private function __construct(public string $key, public ?string $id, public string $name, public ?string $description, public array $members)
    {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'name', 'description', 'members');

        return new self($node->slug('key'), $node->id(), $node->text('name', $node->text('key')), $node->textOrNull('description'), $node->items('members', self::readMember(...)));
    }

    public function kind(): Kind
    {
        return Kind::Team;
    }

    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'name' => $this->name,
            'description' => $this->description,
            'members' => array_map(static fn (array $member): array => ['item' => $member['item'], 'who' => (string) $member['who']], $this->members),
        ];
    }

    public function links(): array
    {
        return array_map(static fn (array $member): Link => new Link("members/{$member['item']}/who", $member['who']), $this->members);
    }

    /** @return array{item: string, who: Reference} */
    private static function readMember(Node $node): array
    {
        $node->allow('item', 'who');

        return ['item' => $node->slug('item'), 'who' => $node->reference('who', Kind::User) ?? throw UnusableBook::missing($node->path, 'who')];
    }
}
