<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

/** What the network is told of a number of the customer's. */
final readonly class RegistrationSeen
{
    /**
     * @param  string  $number  in E.164
     * @param  string  $kind  name or texting
     * @param  string  $name  as it was filed; empty for texting
     * @param  string  $state  filed, shown or refused
     * @param  string  $remark  why it was refused
     */
    public function __construct(
        public string $number,
        public string $kind,
        public string $name,
        public string $state,
        public string $remark,
    ) {
    }
}
