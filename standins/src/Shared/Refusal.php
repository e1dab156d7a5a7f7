<?php

declare(strict_types=1);

namespace Standins\Shared;

/** A request that is refused, with the HTTP status and the reason in words. */
final class Refusal extends \RuntimeException
{
    /** @param array<string, string> $headers */
    public function __construct(
        public readonly int $status,
        string $reason,
        public readonly ?string $where = null,
        public readonly array $headers = [],
    ) {
        parent::__construct($reason);
    }
}
