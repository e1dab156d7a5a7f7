<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\UnusableBook;

/**
 * When a part of a template counts: `{"given": "mobile"}`, `{"slot": "closed", "is": "message"}`, `{"slot":
 * "user.teams", "has": {"slot": "team.slug"}}`, `{"some": "users", "as": "user", "where": ...}`, and these under `not`,
 * `all` and `any`.
 */
final readonly class Condition
{
    /** @param list<self> $parts */
    private function __construct(
        private string $sort,
        private string $slot,
        private mixed $wanted,
        private array $parts,
    ) {
    }

    /** @throws UnusableBook */
    public static function read(mixed $value, string $path): self
    {
        $node = Node::of($value, $path);
        foreach (['is', 'has'] as $sort) {
            if ($node->has($sort)) {
                $node->allow('slot', $sort);

                return new self($sort, $node->text('slot'), $node->any($sort), []);
            }
        }
        if ($node->has('some')) {
            $node->allow('some', 'as', 'where');

            return new self('some', $node->text('some'), $node->text('as'), [
                self::read($node->any('where'), $node->at('where')),
            ]);
        }
        $node->allow('given', 'not', 'all', 'any');
        $sort = $node->fields()[0] ?? 'all';

        return match ($sort) {
            'given' => new self('given', $node->text('given'), null, []),
            'not' => new self('not', '', null, [self::read($node->any('not'), $node->at('not'))]),
            default => new self($sort, '', null, array_map(
                static fn (Node $inner): self => self::read($inner->bare(), $inner->path),
                $node->nodes($sort),
            )),
        };
    }

    /** @throws UnusableTemplate when it names a slot that does not exist */
    public function holds(Said $said, string $path): bool
    {
        return match ($this->sort) {
            'given' => ! in_array($said->part($this->slot, $path), [null, '', [], false], true),
            'is' => $said->part($this->slot, $path) === $this->wanted($said, $path),
            'has' => $this->isAmong($said, $path),
            'some' => array_filter($said->rows($this->slot, $path), fn (array $row): bool => $this->parts[0]->holds(
                $said->with(is_string($this->wanted) ? $this->wanted : '', $row),
                $path,
            )) !== [],
            'not' => ! $this->parts[0]->holds($said, $path),
            'any' => array_filter($this->parts, static fn (self $part): bool => $part->holds($said, $path)) !== [],
            default => array_filter($this->parts, static fn (self $part): bool => ! $part->holds($said, $path)) === [],
        };
    }

    private function wanted(Said $said, string $path): mixed
    {
        return is_array($this->wanted) && is_string($this->wanted['slot'] ?? null)
            ? $said->part($this->wanted['slot'], $path)
            : $this->wanted;
    }

    private function isAmong(Said $said, string $path): bool
    {
        $list = $said->part($this->slot, $path);
        $wanted = $this->wanted($said, $path);
        foreach (is_array($list) ? $list : [] as $one) {
            if ($one === $wanted || (is_array($one) && in_array($wanted, $one, true))) {
                return true;
            }
        }

        return false;
    }
}
