<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Callers whose calls the customer never wants: a digit map over E.164 digits, or `withheld`. */
final readonly class BlockedCaller
{
    private function __construct(public string $item, public string $callers)
    {
    }

    public static function read(Node $node): self
    {
        $node->allow('item', 'callers');

        return new self($node->slug('item'), Callers::read($node, Callers::WITHHELD));
    }

    /** @return array{item: string, callers: string} */
    public function toArray(): array
    {
        return ['item' => $this->item, 'callers' => $this->callers];
    }
}
