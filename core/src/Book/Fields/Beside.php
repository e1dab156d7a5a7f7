<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

/**
 * Marks a field that is the reseller's own knowledge: no switch is asked to hold it. On a class: none of its fields.
 */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER | \Attribute::TARGET_CLASS)]
final readonly class Beside
{
}
