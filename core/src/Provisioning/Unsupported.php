<?php

declare(strict_types=1);

namespace Jaunty\Core\Provisioning;

/** What a book says and a switch has no place for. */
final readonly class Unsupported
{
    /**
     * @param  string  $object  a reference
     * @param  ?string  $path  the field; null where it is the whole object
     * @param  string  $why  what the switch lacks, as the end of a sentence: `it has no queues`
     */
    public function __construct(public string $object, public ?string $path, public string $why)
    {
    }
}
