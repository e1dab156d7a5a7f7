<?php

declare(strict_types=1);

namespace Jaunty\Core\Provisioning;

use Jaunty\Core\Book\Reference;

/** One call to the switch. */
final readonly class Step
{
    /**
     * @param  array<string, mixed>  $fields  top-level fields to send, by name, in canonical form; empty for a deletion
     * @param  array<string, mixed>  $expected  what live held of these fields when the run sheet was made
     */
    public function __construct(
        public StepKind $kind,
        public Reference $object,
        public array $fields = [],
        public array $expected = [],
    ) {
    }
}
