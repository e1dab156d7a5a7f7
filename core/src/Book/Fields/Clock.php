<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\ClockTime;
use Jaunty\Core\Book\Node;

/** A time of the day, as minutes since midnight. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Clock extends Field
{
    /** @param bool $isEnd whether it may be 24:00 */
    public function __construct(private readonly bool $isEnd = false, bool $mayBeUnset = false)
    {
        parent::__construct(! $mayBeUnset);
    }

    public function read(Node $node, string $field): int
    {
        return ClockTime::read($node, $field, $this->isEnd);
    }

    public function write(mixed $value): mixed
    {
        return is_int($value) ? ClockTime::text($value) : null;
    }

    public function begins(): string
    {
        return $this->isEnd ? '17:00' : '08:00';
    }

    public function schema(Form $form): array
    {
        return ['$ref' => '#/$defs/clock'];
    }
}
