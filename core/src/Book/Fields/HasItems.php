<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

/** A list whose items paths name by their `item`. */
interface HasItems
{
    /** @return array<string, Field> of each item; empty where it has no such items after all */
    public function itemFields(): array;
}
