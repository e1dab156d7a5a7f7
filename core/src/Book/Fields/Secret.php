<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

/**
 * Marks a field of which the book says only that it is set, or how good it is: the value itself is kept sealed, apart
 * from it.
 */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final readonly class Secret
{
}
