<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/** A batch that cannot be made, with the field at which that is seen. */
final class UnusableBatch extends \DomainException
{
    public function __construct(public readonly string $field, string $why)
    {
        parent::__construct($why);
    }
}
