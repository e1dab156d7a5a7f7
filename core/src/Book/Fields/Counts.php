<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

/** How many there are of each, by a name that the book chooses. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Counts extends Field
{
    public function __construct(public readonly int $most)
    {
        parent::__construct();
    }

    /** @return array<string, int> in the order of their names */
    public function read(Node $node, string $field): array
    {
        $holder = $node->object($field);
        $counts = [];
        foreach ($holder->fields() as $name) {
            $counts[$name] = $holder->whole($name, 0, 0, $this->most);
        }
        ksort($counts, SORT_STRING);

        return $counts;
    }

    public function mayBeUnset(): bool
    {
        return false;
    }

    public function inside(string $step): Field
    {
        return new Whole(0, $this->most, default: 0);
    }

    public function schema(Form $form): array
    {
        $count = new Whole(0, $this->most, default: 0);

        return [
            'type' => 'object',
            'additionalProperties' => $form === Form::File ? $count->schemaWithNull($form) : $count->schema($form),
        ];
    }
}
