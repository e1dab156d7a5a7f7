<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\Book\Kind;

/** An object that a template makes. Its origin names it for ever, in a repetition together with the row. */
final readonly class MadeObject
{
    /** @param array<string, mixed> $fields with forms of `Filling` in place of values */
    public function __construct(public Kind $kind, public string $origin, public array $fields, public ?Condition $when)
    {
    }
}
