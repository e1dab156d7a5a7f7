<?php

declare(strict_types=1);

namespace Jaunty\Core\Provisioning;

/** What a step does on the switch. `Link` sets references that could not stand when the object was created. */
enum StepKind: string
{
    case Create = 'create';
    case Update = 'update';
    case Link = 'link';
    case Delete = 'delete';
}
