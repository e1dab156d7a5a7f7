<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

/** A name of the IANA time zone database. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class TimeZone extends Field
{
    public function read(Node $node, string $field): ?string
    {
        return $this->must ? $node->zone($field) : $node->zoneOrNull($field);
    }

    public function schema(Form $form): array
    {
        return ['$ref' => '#/$defs/zone'];
    }
}
