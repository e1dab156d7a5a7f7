<?php

declare(strict_types=1);

namespace App\CallerIdentity;

use App\Models\RegistrationState;

/** A registration as the carrier holds it. */
final readonly class RegistrationThere
{
    /**
     * @param  string  $number  in E.164
     * @param  'name'|'texting'  $kind
     */
    public function __construct(
        public string $number,
        public string $kind,
        public RegistrationState $state,
        public string $remark,
    ) {
    }
}
