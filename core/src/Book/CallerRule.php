<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Callers of one number who go somewhere of their own: a digit map over E.164 digits, `withheld` or `anyone`. */
final readonly class CallerRule
{
    private function __construct(public string $item, public string $callers, public ?Destination $then)
    {
    }

    public static function read(Node $node): self
    {
        $node->allow('item', 'callers', 'then');

        return new self($node->slug('item'), Callers::read($node, Callers::WITHHELD, Callers::ANYONE), $node->destination('then'));
    }

    /** @return array{item: string, callers: string, then: ?string} */
    public function toArray(): array
    {
        return ['item' => $this->item, 'callers' => $this->callers, 'then' => $this->then === null ? null : (string) $this->then];
    }
}
