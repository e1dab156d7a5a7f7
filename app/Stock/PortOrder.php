<?php

declare(strict_types=1);

namespace App\Stock;

use App\Models\PortState;

/** A port as the carrier holds it. */
final readonly class PortOrder
{
    /** @param string $remark why it was rejected; empty otherwise */
    public function __construct(
        public string $id,
        public PortRequest $request,
        public PortState $state,
        public string $remark,
    ) {
    }
}
