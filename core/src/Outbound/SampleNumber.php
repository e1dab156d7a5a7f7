<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

/** Digits somebody could dial, and what they mean by it. */
final readonly class SampleNumber
{
    /**
     * @param string $kind internal, local, national, mobile, international, tollFree, premium, emergency or misdialled
     */
    public function __construct(public string $kind, public string $said, public string $digits)
    {
    }
}
